package bellrope.core.effect;

import java.util.Optional;

/**
 * Where a parameter acts inside the effect.
 *
 * @param property the setting
 * @param mode how the value meets the authored one
 * @param emitter the one emitter it acts on; empty for all of them
 */
public record Binding(Property property, Mode mode, Optional<String> emitter) {
    /** How a parameter's value meets the authored one. */
    public enum Mode {
        MULTIPLY("multiplies"),
        ADD("adds"),
        REPLACE("replaces");

        private final String words;

        Mode(String words) {
            this.words = words;
        }

        String words() {
            return words;
        }
    }

    Emitter apply(Emitter target, double value) {
        return emitter.isEmpty() || emitter.get().equals(target.name()) ? property.bound(target, mode, value) : target;
    }
}
