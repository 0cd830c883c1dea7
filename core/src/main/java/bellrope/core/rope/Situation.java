package bellrope.core.rope;

import bellrope.core.value.Datum;

/** What conditions and feeds can look at. */
public interface Situation {
    /** Returns a value of the payload; null when it carries none of that name. */
    Datum payload(String field);

    /** Returns what a channel says now; NaN when there is none of that name. */
    double channel(String name);

    /** Returns seconds since the span or state began; 0 for a moment. */
    double held();

    /** Returns seconds since an event last came; infinite if it never did. */
    double since(String event);

    boolean tagged(String tag);

    /** Returns a number from 0 to 1 that belongs to the pull. */
    default double random(int roll) {
        return 0.5;
    }

    /** Returns the value of a source; null where it gives none. Other parameters are for whoever knows them. */
    default Datum value(Source source) {
        return source.value(this);
    }

    /** Returns a number; NaN where the source gives none, infinite for the time since what never came. */
    default double number(Source source) {
        return source.number(this);
    }
}
