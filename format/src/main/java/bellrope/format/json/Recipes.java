package bellrope.format.json;

import bellrope.core.project.Project;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;

/** Starting points for effects, by what they are needed for. They are a bundle of their own, of effects alone. */
public final class Recipes {
    private Recipes() {}

    public static Project project() {
        try (InputStream in = Recipes.class.getResourceAsStream("/bellrope/recipes.bellrope.json")) {
            return Bundle.read(in.readAllBytes()).value().orElseThrow();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
