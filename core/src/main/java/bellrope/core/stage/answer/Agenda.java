package bellrope.core.stage.answer;

import java.util.PriorityQueue;

/** What is due later, in the order of its steps and then of its asking. */
final class Agenda {
    /** Most that is due at once; what comes beyond it is dropped, and the next account says so. */
    private static final int MOST = 20_000;

    private final PriorityQueue<Due> due = new PriorityQueue<>();
    private long order;

    private record Due(int step, long order, Runnable work) implements Comparable<Due> {
        @Override
        public int compareTo(Due other) {
            return step != other.step ? Integer.compare(step, other.step) : Long.compare(order, other.order);
        }
    }

    /** Returns whether there was room. */
    boolean add(int step, Runnable work) {
        return due.size() < MOST && due.add(new Due(step, order++, work));
    }

    /** Does everything due by a step, what it leads to included. */
    void run(int step) {
        while (!due.isEmpty() && due.peek().step <= step) {
            due.poll().work.run();
        }
    }

    boolean isEmpty() {
        return due.isEmpty();
    }

    void clear() {
        due.clear();
    }
}
