package bellrope.format.json;

import java.util.function.Function;

/** A part of something that stands among its other keys. */
final class Part<T, P> extends Member<T> {
    private final Function<T, P> getter;
    private final Inline<P> form;
    private final int index;

    Part(Function<T, P> getter, Inline<P> form, int index) {
        this.getter = getter;
        this.form = form;
        this.index = index;
    }

    /** Returns it among the values that were read. */
    @SuppressWarnings("unchecked")
    P of(Values values) {
        return (P) values.at(index);
    }

    @Override
    void read(JsonReader object, Values values) {
        values.put(index, form.among(object));
    }

    @Override
    void write(T owner, JsonObject node) {
        form.write(getter.apply(owner), node);
    }

    @Override
    void describe(JsonObject properties, JsonList required, SchemaWriter schema) {
        form.describe(properties, required, schema);
    }
}
