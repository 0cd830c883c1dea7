package bellrope.core.measure;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * How many particles of each kind a particle of each kind has as children, on average; and what comes of it in the long run.
 *
 * <p>A non-negative matrix. Its kinds fall into classes of those that come from one another; a class runs away if the spectral
 * radius of its part is 1 or above (Galton and Watson 1875; T. E. Harris, <i>The Theory of Branching Processes</i>, 1963). The
 * radius of a class is bracketed from both sides (Collatz and Wielandt: for any positive v, the least and the greatest of
 * (Av)ᵢ / vᵢ), on I + M, which has no cycles that would keep the bracket open.
 */
final class MeanOffspring {
    private static final int MOST_ROUNDS = 100_000;
    /** Multiplications that are spent on one answer at most. */
    private static final double MOST_WORK = 2e8;

    private static final double CLOSE = 1e-12;
    /** Kinds up to which totals are worked out by elimination. */
    private static final int MOST_DENSE = 128;

    private final List<Row> rows = new ArrayList<>();

    private static final class Row {
        private int[] to = new int[4];
        private double[] mean = new double[4];
        private int count;
    }

    MeanOffspring(int kinds) {
        for (int i = 0; i < kinds; i++) {
            rows.add(new Row());
        }
    }

    void add(int parent, int child, double mean) {
        if (mean <= 0) {
            return;
        }
        Row row = rows.get(parent);
        for (int k = 0; k < row.count; k++) {
            if (row.to[k] == child) {
                row.mean[k] += mean;
                return;
            }
        }
        if (row.count == row.to.length) {
            row.to = Arrays.copyOf(row.to, row.count * 2);
            row.mean = Arrays.copyOf(row.mean, row.count * 2);
        }
        row.to[row.count] = child;
        row.mean[row.count++] = mean;
    }

    /** Returns the children of one of a kind, all kinds together. */
    double children(int kind) {
        double sum = 0;
        for (int k = 0; k < rows.get(kind).count; k++) {
            sum += rows.get(kind).mean[k];
        }
        return sum;
    }

    /** Returns how many of each kind come of so many in the next generation. */
    double[] next(double[] now) {
        double[] next = new double[now.length];
        for (int i = 0; i < now.length; i++) {
            Row row = rows.get(i);
            for (int k = 0; now[i] > 0 && k < row.count; k++) {
                next[row.to[k]] += now[i] * row.mean[k];
            }
        }
        return next;
    }

    /** Returns which kinds can come of some, themselves included. */
    boolean[] reachable(boolean[] from) {
        boolean[] reached = from.clone();
        ArrayDeque<Integer> open = new ArrayDeque<>();
        for (int i = 0; i < from.length; i++) {
            if (from[i]) {
                open.add(i);
            }
        }
        while (!open.isEmpty()) {
            Row row = rows.get(open.poll());
            for (int k = 0; k < row.count; k++) {
                if (!reached[row.to[k]]) {
                    reached[row.to[k]] = true;
                    open.add(row.to[k]);
                }
            }
        }
        return reached;
    }

    /** Returns for each kind the spectral radius of its class; 0 where none of its own kind ever comes of it. */
    double[] radii() {
        int[] classes = classes();
        int n = rows.size();
        double[] radii = new double[n];
        double[] v = new double[n];
        Arrays.fill(v, 1);
        List<List<Integer>> members = new ArrayList<>();
        for (int i = 0; i < n; i++) {
            while (members.size() <= classes[i]) {
                members.add(new ArrayList<>());
            }
            members.get(classes[i]).add(i);
        }
        for (List<Integer> one : members) {
            double radius = radius(one, classes, v);
            one.forEach(i -> radii[i] = radius);
        }
        return radii;
    }

    private double radius(List<Integer> members, int[] classes, double[] v) {
        double work = 0;
        double[] next = new double[members.size()];
        double low = 0;
        double high = Double.POSITIVE_INFINITY;
        for (int round = 0; round < MOST_ROUNDS && work < MOST_WORK; round++) {
            low = Double.POSITIVE_INFINITY;
            high = 0;
            double largest = 0;
            for (int m = 0; m < next.length; m++) {
                int i = members.get(m);
                Row row = rows.get(i);
                double sum = v[i];
                for (int k = 0; k < row.count; k++) {
                    sum += classes[row.to[k]] == classes[i] ? row.mean[k] * v[row.to[k]] : 0;
                }
                work += row.count + 1.0;
                next[m] = sum;
                low = Math.min(low, sum / v[i]);
                high = Math.max(high, sum / v[i]);
                largest = Math.max(largest, sum);
            }
            for (int m = 0; m < next.length; m++) {
                v[members.get(m)] = next[m] / largest;
            }
            if (high - low < CLOSE * high) {
                break;
            }
        }
        return Math.max(0, (low + high) / 2 - 1);
    }

    // Tarjan's strongly connected components, without recursion.
    private int[] classes() {
        int n = rows.size();
        int[] index = new int[n];
        int[] low = new int[n];
        int[] at = new int[n];
        int[] component = new int[n];
        Arrays.fill(component, -1);
        int counter = 0;
        int components = 0;
        ArrayDeque<Integer> path = new ArrayDeque<>();
        ArrayDeque<Integer> open = new ArrayDeque<>();
        for (int root = 0; root < n; root++) {
            if (index[root] != 0) {
                continue;
            }
            path.push(root);
            while (!path.isEmpty()) {
                int i = path.peek();
                if (index[i] == 0) {
                    index[i] = ++counter;
                    low[i] = index[i];
                    open.push(i);
                }
                Row row = rows.get(i);
                if (at[i] < row.count) {
                    int to = row.to[at[i]++];
                    if (index[to] == 0) {
                        path.push(to);
                    } else if (component[to] < 0) {
                        low[i] = Math.min(low[i], index[to]);
                    }
                    continue;
                }
                path.pop();
                if (!path.isEmpty()) {
                    low[path.peek()] = Math.min(low[path.peek()], low[i]);
                }
                if (low[i] == index[i]) {
                    int member;
                    do {
                        member = open.pop();
                        component[member] = components;
                    } while (member != i);
                    components++;
                }
            }
        }
        return component;
    }

    /**
     * Returns how many particles one of each kind stands for, itself and all that ever come of it included; infinite where what
     * comes of it runs away.
     *
     * @param radii of {@link #radii}
     */
    double[] totals(double[] radii) {
        int n = rows.size();
        boolean[] runs = runs(radii);
        if (n <= MOST_DENSE) {
            return eliminated(runs);
        }
        double[] total = new double[n];
        Arrays.fill(total, 1);
        double work = 0;
        for (int round = 0; round < MOST_ROUNDS && work < MOST_WORK; round++) {
            double change = 0;
            for (int i = n - 1; i >= 0; i--) {
                if (runs[i]) {
                    continue;
                }
                Row row = rows.get(i);
                double sum = 1;
                for (int k = 0; k < row.count; k++) {
                    sum += row.mean[k] * total[row.to[k]];
                }
                work += row.count + 1.0;
                change = Math.max(change, Math.abs(sum - total[i]) / sum);
                total[i] = sum;
            }
            if (change < CLOSE) {
                break;
            }
        }
        for (int i = 0; i < n; i++) {
            total[i] = runs[i] ? Double.POSITIVE_INFINITY : total[i];
        }
        return total;
    }

    // Gauss' elimination of (I − M) t = 1 over what does not run away. No pivots: such a matrix is an M-matrix.
    private double[] eliminated(boolean[] runs) {
        int n = rows.size();
        double[][] a = new double[n][n + 1];
        for (int i = 0; i < n; i++) {
            a[i][i] = 1;
            a[i][n] = 1;
            Row row = rows.get(i);
            for (int k = 0; !runs[i] && k < row.count; k++) {
                a[i][row.to[k]] -= row.mean[k];
            }
        }
        for (int p = 0; p < n; p++) {
            for (int i = p + 1; i < n; i++) {
                double factor = a[i][p] / a[p][p];
                for (int j = p; factor != 0 && j <= n; j++) {
                    a[i][j] -= factor * a[p][j];
                }
            }
        }
        double[] total = new double[n];
        for (int i = n - 1; i >= 0; i--) {
            double sum = a[i][n];
            for (int j = i + 1; j < n; j++) {
                sum -= a[i][j] == 0 ? 0 : a[i][j] * total[j];
            }
            total[i] = sum / a[i][i];
        }
        for (int i = 0; i < n; i++) {
            total[i] = runs[i] ? Double.POSITIVE_INFINITY : total[i];
        }
        return total;
    }

    // What leads to a class that runs away.
    private boolean[] runs(double[] radii) {
        int n = rows.size();
        boolean[] runs = new boolean[n];
        for (int i = 0; i < n; i++) {
            runs[i] = Branching.runsAway(radii[i]);
        }
        boolean changed = true;
        while (changed) {
            changed = false;
            for (int i = 0; i < n; i++) {
                Row row = rows.get(i);
                for (int k = 0; !runs[i] && k < row.count; k++) {
                    if (runs[row.to[k]]) {
                        runs[i] = true;
                        changed = true;
                    }
                }
            }
        }
        return runs;
    }
}
