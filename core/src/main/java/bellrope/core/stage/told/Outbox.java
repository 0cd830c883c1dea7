package bellrope.core.stage.told;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.List;

/** What a stage has to say and was not asked for yet. */
public final class Outbox {
    /** Most of each that waits to be taken; the oldest is dropped beyond it. */
    private static final int MOST = 1_000;

    private static final int MOST_NOTES = 100;

    private final ArrayDeque<Told> told = new ArrayDeque<>();
    private final ArrayDeque<Account> unasked = new ArrayDeque<>();
    private final List<String> notes = new ArrayList<>();

    public void tell(Told one) {
        put(told, one);
    }

    /** Keeps the account of something that came by itself. */
    public void unasked(Account account) {
        put(unasked, account);
    }

    private static <T> void put(ArrayDeque<T> queue, T one) {
        if (queue.size() == MOST) {
            queue.removeFirst();
        }
        queue.addLast(one);
    }

    /** Notes something for the next account. */
    public void note(String words) {
        if (notes.size() < MOST_NOTES) {
            notes.add(words);
        }
    }

    public List<String> takeNotes() {
        List<String> taken = List.copyOf(notes);
        notes.clear();
        return taken;
    }

    public List<Told> takeTold() {
        List<Told> taken = List.copyOf(told);
        told.clear();
        return taken;
    }

    public List<Account> takeUnasked() {
        List<Account> taken = List.copyOf(unasked);
        unasked.clear();
        return taken;
    }
}
