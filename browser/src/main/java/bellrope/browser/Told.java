package bellrope.browser;

import bellrope.core.value.Refused;
import bellrope.format.answer.NotThere;
import bellrope.format.answer.Wrong;
import java.util.function.Supplier;
import org.teavm.jso.JSObject;

/** Answers, or why there is none: as {@code problems} with their places, or as what is {@code missing}. */
final class Told {
    private Told() {}

    static JSObject by(Supplier<JSObject> work) {
        try {
            return work.get();
        } catch (Wrong wrong) {
            return wrong(wrong);
        } catch (Refused refused) {
            return wrong(Wrong.of(refused));
        } catch (NotThere gone) {
            JSObject told = Js.object();
            Js.set(told, "missing", Js.value(gone.getMessage()));
            return told;
        }
    }

    private static JSObject wrong(Wrong wrong) {
        JSObject told = Js.object();
        Js.set(told, "problems", Js.list(wrong.problems(), Answers::of));
        return told;
    }
}
