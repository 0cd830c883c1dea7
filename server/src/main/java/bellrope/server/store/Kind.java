package bellrope.server.store;

import java.util.Locale;
import java.util.Optional;

/** The kinds of parts that a project is kept as. */
public enum Kind {
    SETTINGS,
    SPRITE,
    EVENT,
    EFFECT,
    ROPE,
    CHANNEL,
    PLACE,
    VERSION,
    POOL,
    SCORE;

    public String word() {
        return name().toLowerCase(Locale.ROOT);
    }

    /** Returns the list of a bundle in which parts of this kind stand. */
    String list() {
        return word() + "s";
    }

    public static Optional<Kind> of(String word) {
        for (Kind kind : values()) {
            if (kind.word().equals(word)) {
                return Optional.of(kind);
            }
        }
        return Optional.empty();
    }
}
