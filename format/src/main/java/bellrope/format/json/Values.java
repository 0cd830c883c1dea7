package bellrope.format.json;

/** What was read of one object, setting by setting. */
final class Values {
    private final Object[] read;

    Values(int count) {
        read = new Object[count];
    }

    Object at(int index) {
        return read[index];
    }

    void put(int index, Object value) {
        read[index] = value;
    }
}
