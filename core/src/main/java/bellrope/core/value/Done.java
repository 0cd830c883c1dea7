package bellrope.core.value;

import java.util.function.Consumer;
import java.util.function.Function;

/** What is done for one of several kinds, where nothing comes of it. */
public final class Done {
    private Done() {}

    /** Returns an action as a function that gives nothing. */
    public static <T> Function<T, Void> by(Consumer<T> action) {
        return one -> {
            action.accept(one);
            return null;
        };
    }
}
