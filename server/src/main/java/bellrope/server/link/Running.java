package bellrope.server.link;

import bellrope.format.json.LinkJson.Have;
import bellrope.server.link.Hello.Who;
import bellrope.server.socket.Outlet;
import java.util.ArrayList;
import java.util.List;

/**
 * A running game: what it said lately, up to a bound, and who it is. It stays when its socket is lost, so that it can come
 * back; what is said twice is taken once.
 */
final class Running {
    /** Characters of entries that are kept for benches that come later. */
    static final int MOST_CHARACTERS = 4 << 20;
    /** Entries that a bench gets at once. */
    static final int MOST_AT_ONCE = 1_000;
    /** Nanoseconds for which an answer to a bundle is waited for; who only tells never gives one. */
    private static final long ANSWERS_WITHIN = 1_000_000_000L;

    private final String instance;
    private final long project;
    // Those before the head are gone, and taken out now and then.
    private final ArrayList<Entry> entries = new ArrayList<>();
    private int head;
    private Who who;
    private Outlet outlet;
    private Have has;
    // Of the bundle with which whoever begins at the first kept entry has to begin; 0 where nobody knows it.
    private long changeAtFirst;
    private int stepAtFirst;
    private long first;
    private long dropped;
    private long characters;
    private int step;
    private String refused = "";
    private long lastSign;
    // When it was sent a bundle that it has not answered yet; 0 where it has.
    private long sentAt;

    /** @param taken number of a bundle that the entry says was taken; 0 for any other entry */
    record Entry(int step, long taken, String text) {}

    /** How a game stands, for benches. */
    record Standing(
            String instance,
            String game,
            String contract,
            boolean linked,
            long change,
            long changeAtFirst,
            int stepAtFirst,
            long first,
            long next,
            int step,
            long dropped,
            String refused) {}

    Running(String instance, long project, long first, int step, long change) {
        this.instance = instance;
        this.project = project;
        this.first = Math.max(1, first);
        this.dropped = this.first - 1;
        this.step = step;
        this.stepAtFirst = step;
        this.changeAtFirst = change;
    }

    String instance() {
        return instance;
    }

    long project() {
        return project;
    }

    /** Notes that it came, or came back; returns the socket that it had before, or null. */
    synchronized Outlet come(Who who, Outlet outlet, Have has, long now) {
        Outlet before = this.outlet;
        this.who = who;
        this.outlet = outlet;
        this.has = has;
        this.lastSign = now;
        this.sentAt = 0;
        return before;
    }

    /** Closes its socket. */
    synchronized void unlink() {
        if (outlet != null) {
            outlet.close(LinkSocket.REPLACED);
            outlet = null;
        }
    }

    /** Notes that its socket is gone, if it is still that one. */
    synchronized boolean leave(Outlet gone, long now) {
        if (outlet != gone) {
            return false;
        }
        outlet = null;
        lastSign = now;
        return true;
    }

    synchronized boolean linked() {
        return outlet != null;
    }

    synchronized long lastSign() {
        return lastSign;
    }

    /** Returns the bundle that it was sent last, or has; null for none that is known. */
    synchronized Have has() {
        return has;
    }

    /** Sends something that makes another bundle of the one it has. */
    synchronized void send(String text, Have then, long now) {
        if (outlet != null) {
            outlet.text(text);
            has = then;
            sentAt = now;
        }
    }

    /** Whether it is still taking what it was sent last. */
    synchronized boolean takes(long now) {
        return sentAt != 0 && now - sentAt < ANSWERS_WITHIN;
    }

    /** Sends a word. */
    synchronized void send(String text) {
        if (outlet != null) {
            outlet.text(text);
        }
    }

    /** Returns the number of the entry that is expected next. */
    synchronized long next() {
        return first + entries.size() - head;
    }

    /** Takes what it said; what was taken before is passed over, what is missing between is counted. */
    synchronized void take(long from, int now, List<Entry> said) {
        long next = next();
        if (from > next) {
            // What lies between was lost; nobody can follow across the gap.
            dropped += from - next;
            entries.clear();
            head = 0;
            characters = 0;
            first = from;
            stepAtFirst = step;
            changeAtFirst = has == null ? 0 : has.change();
            next = from;
        }
        for (int i = (int) Math.min(said.size(), next - from); i < said.size(); i++) {
            if (said.get(i).taken() != 0 && changeAtFirst == 0) {
                // Nobody here knows with which bundle it began; what plays bends to this one, as if it had always been
                // so.
                changeAtFirst = said.get(i).taken();
            }
            entries.add(said.get(i));
            characters += said.get(i).text().length();
        }
        step = Math.max(step, now);
        while (characters > MOST_CHARACTERS) {
            Entry old = entries.set(head++, null);
            characters -= old.text().length();
            first++;
            stepAtFirst = old.step();
            changeAtFirst = old.taken() != 0 ? old.taken() : changeAtFirst;
        }
        if (head > entries.size() / 2) {
            entries.subList(0, head).clear();
            head = 0;
        }
    }

    /** Notes that it could not take a bundle; empty when it could. */
    synchronized void refused(String why) {
        sentAt = 0;
        refused = why;
    }

    /** Returns what it said from a number on, as much as goes at once; null when that is not kept any more. */
    synchronized Said from(long number) {
        if (number < first || number > next()) {
            return null;
        }
        List<String> some = new ArrayList<>();
        int at = head + (int) (number - first);
        int end = Math.min(entries.size(), at + MOST_AT_ONCE);
        for (Entry entry : entries.subList(at, end)) {
            some.add(entry.text());
        }
        return new Said(number, end < entries.size() ? entries.get(end - 1).step() : step, some);
    }

    synchronized Who who() {
        return who;
    }

    synchronized Standing standing() {
        return new Standing(
                instance,
                who.game(),
                who.contract(),
                outlet != null,
                has == null ? 0 : has.change(),
                changeAtFirst,
                stepAtFirst,
                first,
                next(),
                step,
                dropped,
                refused);
    }
}
