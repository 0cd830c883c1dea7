package bellrope.core.value;

/**
 * Something wrong at a place in a project or a file.
 *
 * @param place JSON pointer, such as {@code /effects/3/emitters/0/lifetime}
 * @param given what stands there
 * @param allowed what would be right
 */
public record Problem(String place, String given, String allowed) {
    /** What is told of may be broken; what tells of it is not. */
    public Problem {
        place = Words.whole(place);
        given = Words.whole(given);
        allowed = Words.whole(allowed);
    }

    @Override
    public String toString() {
        return (place.isEmpty() ? "/" : place) + ": " + given + ": " + allowed;
    }
}
