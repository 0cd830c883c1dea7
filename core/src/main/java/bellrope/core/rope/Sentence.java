package bellrope.core.rope;

import bellrope.core.event.EventType;
import bellrope.core.event.Field;
import bellrope.core.value.Vec3;
import bellrope.core.value.Words;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * A rope as the English sentence that it is, in parts that can be opened where they stand.
 *
 * @param parts in reading order, spaces included
 */
public record Sentence(List<Part> parts) {
    /**
     * A stretch of the sentence.
     *
     * @param slot what it says; {@link Slot#WORDS} for what only joins
     * @param index which condition or feed, 0 for the others
     */
    public record Part(String text, Slot slot, int index) {}

    /** What a part of a sentence says. */
    public enum Slot {
        WORDS,
        EVENT,
        CONDITION,
        EFFECT,
        GAP,
        PLACEMENT,
        FACING,
        FEED
    }

    /**
     * Returns the sentence of a rope.
     *
     * @param event the rope's event, for units and ways of reading; empty when there is none of that name
     */
    public static Sentence of(Rope rope, Optional<EventType> event) {
        List<Part> parts = new ArrayList<>();
        words(parts, "When ");
        parts.add(new Part(rope.event(), Slot.EVENT, 0));
        String joiner = "with ";
        for (int i = 0; i < rope.conditions().size(); i++) {
            Condition condition = rope.conditions().get(i);
            Optional<Field> field = event.flatMap(e -> e.field(condition.field()));
            if (condition instanceof Condition.OneOf && field.orElse(null) instanceof Field.Choice choice) {
                words(parts, " " + choice.reads() + " ");
                parts.add(new Part(condition.wanted(), Slot.CONDITION, i));
            } else {
                words(parts, " " + joiner);
                parts.add(new Part(condition.field() + " " + condition.wanted() + unit(field, " "), Slot.CONDITION, i));
                joiner = "and ";
            }
        }
        words(parts, ", play ");
        if (rope.play().isPresent()) {
            parts.add(new Part(rope.play().get(), Slot.EFFECT, 0));
        } else {
            parts.add(new Part("no effect chosen", Slot.GAP, 0));
        }
        words(parts, " at ");
        parts.add(new Part(placement(rope.offset()), Slot.PLACEMENT, 0));
        words(parts, ", facing ");
        parts.add(new Part(rope.facing().words(), Slot.FACING, 0));
        for (int i = 0; i < rope.feeds().size(); i++) {
            Feed feed = rope.feeds().get(i);
            words(parts, "; ");
            parts.add(new Part(
                    feed.parameter() + " from " + feed.field() + " "
                            + Words.number(feed.in().least()) + "…"
                            + Words.number(feed.in().most()) + " → " + Words.number(feed.from()) + "…"
                            + Words.number(feed.to()),
                    Slot.FEED,
                    i));
        }
        words(parts, ".");
        return new Sentence(List.copyOf(parts));
    }

    @Override
    public String toString() {
        StringBuilder text = new StringBuilder();
        parts.forEach(part -> text.append(part.text()));
        return text.toString();
    }

    private static String placement(Vec3 offset) {
        return offset.equals(Vec3.ZERO) ? "the point" : "the point + (" + Words.vector(offset) + ") u";
    }

    private static String unit(Optional<Field> field, String before) {
        return field.orElse(null) instanceof Field.Number number
                        && !number.unit().isEmpty()
                ? before + number.unit()
                : "";
    }

    private static void words(List<Part> parts, String text) {
        parts.add(new Part(text, Slot.WORDS, 0));
    }
}
