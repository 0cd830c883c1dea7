package bellrope.core.sim;

/**
 * Particles that one source spawns together; one object is used again and again, because a warm step allocates nothing. With
 * the emitter's seed, key, source, cycle and number are the address of a particle's random draws.
 */
final class Batch {
    /** Of the instance, or of the line of a parent. */
    long key;
    /** Within the emitter: a burst, the stream, a kind of children. */
    int source;
    /** Of a loop, or the number of a parent's occasion. */
    int cycle;
    /** Number of the first particle. */
    int first;

    int count;
    /** How many the source spawns at once, for even placing; 0 if they come one by one. */
    int of;
    /** On which they are there. */
    int step;
    /** Of them that come true, 0 to 1. */
    double share;

    /** One particle of a source that spawns them one by one. */
    Batch one(long line, int from, int round, int number, int at, double part) {
        return set(line, from, round, number, 1, 0, at, part);
    }

    /** All that a source spawns at once. */
    Batch together(long line, int from, int round, int many, int at, double part) {
        return set(line, from, round, 0, many, many, at, part);
    }

    private Batch set(long line, int from, int round, int number, int many, int all, int at, double part) {
        key = line;
        source = from;
        cycle = round;
        first = number;
        count = many;
        of = all;
        step = at;
        share = part;
        return this;
    }
}
