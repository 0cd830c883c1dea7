package bellrope.format.json;

import bellrope.core.project.Project;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;

/** <i>Windrow Post</i>, the project that ships with Bellrope: a courier flies a mail-kite between windmills on a moor. */
public final class Demo {
    private Demo() {}

    /** Returns the bundle as it stands in the file. */
    public static byte[] bytes() {
        try (InputStream in = Demo.class.getResourceAsStream("/bellrope/windrow.bellrope.json")) {
            return in.readAllBytes();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    public static Project project() {
        return Bundle.read(bytes()).value().orElseThrow();
    }
}
