package bellrope.format.sprite;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.Optional;

/** The PNG files of the sprites that ship with Bellrope. */
public final class SpriteCase {
    private SpriteCase() {}

    static String file(String name) {
        return name.replace(' ', '-') + ".png";
    }

    /** Returns the PNG of a sprite; empty when none of that name ships. */
    public static Optional<byte[]> png(String name) {
        if (!name.matches("[a-z][a-z ]{0,40}")) {
            return Optional.empty();
        }
        try (InputStream in = SpriteCase.class.getResourceAsStream("/bellrope/sprites/" + file(name))) {
            return in == null ? Optional.empty() : Optional.of(in.readAllBytes());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
