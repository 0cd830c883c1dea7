package bellrope.core.stage.told;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Iterator;
import java.util.List;
import java.util.Locale;

/** The accounts of the last {@value #MOST} pulls. */
public final class Ledger {
    public static final int MOST = 10_000;

    private final ArrayDeque<Account> accounts = new ArrayDeque<>();

    public void add(Account account) {
        if (accounts.size() == MOST) {
            accounts.removeFirst();
        }
        accounts.addLast(account);
    }

    /** Returns all of them, oldest first. */
    public List<Account> all() {
        return List.copyOf(accounts);
    }

    public int size() {
        return accounts.size();
    }

    /**
     * Returns the newest accounts in whose words all the words occur, newest first.
     *
     * @param words separated by space, case ignored; none to find every account
     */
    public List<Account> search(String words, int most) {
        String[] wanted = words.strip().toLowerCase(Locale.ROOT).split("\\s+");
        List<Account> found = new ArrayList<>();
        for (Iterator<Account> i = accounts.descendingIterator(); i.hasNext() && found.size() < most; ) {
            Account account = i.next();
            String text = account.inWords().toLowerCase(Locale.ROOT);
            boolean all = true;
            for (String word : wanted) {
                all &= text.contains(word);
            }
            if (all) {
                found.add(account);
            }
        }
        return found;
    }
}
