package bellrope.core.value;

/**
 * A value that was not accepted: which field of the thing being made, what was given, what is allowed.
 *
 * <p>The place is relative to the thing that refused ({@code "lifetime/least"}); whoever reads a file puts the path of
 * that thing in front.
 */
public final class Refused extends IllegalArgumentException {
    private final String place;
    private final String given;
    private final String allowed;

    /**
     * @param place the field, as a relative JSON pointer without the leading slash; empty for the thing itself
     * @param given what was given, as its author would recognise it
     * @param allowed what would be right, as a sentence part
     */
    public Refused(String place, String given, String allowed) {
        super((place.isEmpty() ? "" : place + ": ") + given + ": " + allowed);
        this.place = place;
        this.given = given;
        this.allowed = allowed;
    }

    public String place() {
        return place;
    }

    public String given() {
        return given;
    }

    public String allowed() {
        return allowed;
    }

    /** Returns this refusal as seen from the owner of the thing that refused. */
    public Refused under(String parent) {
        return new Refused(place.isEmpty() ? parent : parent + "/" + place, given, allowed);
    }
}
