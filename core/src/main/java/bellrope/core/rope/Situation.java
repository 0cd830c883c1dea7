package bellrope.core.rope;

import bellrope.core.event.Datum;

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

    /** Returns a number; NaN where the source gives none. */
    default double number(Source source) {
        if (source instanceof Source.Payload payload) {
            return payload(payload.field()) instanceof Datum.Num num ? num.value() : Double.NaN;
        }
        if (source instanceof Source.Channel channel) {
            return channel(channel.channel());
        }
        return source instanceof Source.Since since ? since(since.event()) : held();
    }
}
