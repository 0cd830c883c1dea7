package bellrope.core.pool;

/** When what plays ends, the soonest first: a binary heap. */
final class Ends {
    private final int[] ends;
    private final int[] numbers;
    private int count;

    /** @param most that are in it at once */
    Ends(int most) {
        ends = new int[most];
        numbers = new int[most];
    }

    void add(int end, int number) {
        int at = count++;
        while (at > 0 && ends[(at - 1) / 2] > end) {
            put(at, (at - 1) / 2);
            at = (at - 1) / 2;
        }
        ends[at] = end;
        numbers[at] = number;
    }

    /** Returns the number of one that has ended by a step, and takes it out; −1 where none has. */
    int over(int step) {
        if (count == 0 || ends[0] > step) {
            return -1;
        }
        int first = numbers[0];
        int end = ends[--count];
        int number = numbers[count];
        int at = 0;
        for (int below = 1; below < count; below = 2 * at + 1) {
            int sooner = below + 1 < count && ends[below + 1] < ends[below] ? below + 1 : below;
            if (ends[sooner] >= end) {
                break;
            }
            put(at, sooner);
            at = sooner;
        }
        ends[at] = end;
        numbers[at] = number;
        return first;
    }

    private void put(int at, int from) {
        ends[at] = ends[from];
        numbers[at] = numbers[from];
    }
}
