package bellrope.core.rope;

import bellrope.core.effect.Effect;
import bellrope.core.effect.Type;
import bellrope.core.event.Channel;
import bellrope.core.event.EventType;
import bellrope.core.event.Field;
import bellrope.core.value.Range;
import java.util.Optional;
import java.util.function.Function;

/**
 * What the sources of a rope can say: the one place that knows their ranges, usual values and units.
 *
 * @param event that the rope waits for; empty where there is none of that name
 * @param effect that the rope plays; empty for none
 * @param channels of the project, by name
 */
public record SourceValues(
        Optional<EventType> event, Optional<Effect> effect, Function<String, Optional<Channel>> channels) {

    /** Without an effect, whose parameters then give nothing. */
    public SourceValues(EventType event, Function<String, Optional<Channel>> channels) {
        this(Optional.of(event), Optional.empty(), channels);
    }

    /** Returns a source as a number with its range; empty for what is no number, or is told without a range. */
    public Optional<Field.Number> announced(Source source) {
        return source.match(
                payload -> event.flatMap(e -> e.field(payload.field()))
                        .filter(Field.Number.class::isInstance)
                        .map(Field.Number.class::cast),
                channel -> channels.apply(channel.channel())
                        .map(c -> new Field.Number(c.name(), c.range(), c.usual(), c.unit())),
                held -> Optional.empty(),
                since -> Optional.empty(),
                constant -> Optional.empty(),
                random -> Optional.of(new Field.Number(random.words(), new Range(0, 1), 0.5, "")),
                other -> effect.flatMap(e -> e.parameter(other.parameter()))
                        .filter(p -> p.type().scalar())
                        .map(p -> {
                            Type type = p.type();
                            Range range = new Range(type.least(), type.most());
                            return new Field.Number(p.name(), range, type.position(p.standard()), p.unit());
                        }));
    }

    /** Returns a source that the game says, and not the rope, as {@link #announced}. */
    public Optional<Field.Number> told(Source source) {
        return source.told() ? announced(source) : Optional.empty();
    }

    public Optional<Range> range(Source source) {
        return announced(source).map(Field.Number::range);
    }

    /** Returns the unit of a source; empty where it has none. */
    public String unit(Source source) {
        return source.timed() ? "s" : announced(source).map(Field.Number::unit).orElse("");
    }
}
