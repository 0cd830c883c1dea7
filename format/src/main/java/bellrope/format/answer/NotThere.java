package bellrope.format.answer;

/** Something was asked for that the project does not have. */
public final class NotThere extends RuntimeException {
    /** @param what kind and number, such as {@code rope 7} */
    public NotThere(String what) {
        super(what);
    }
}
