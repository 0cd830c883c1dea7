package bellrope.core.check.wiring;

import bellrope.core.check.Finding.Severity;
import bellrope.core.event.EventType;
import bellrope.core.event.Field;
import bellrope.core.value.Words;
import java.util.HashMap;
import java.util.Map;

/** Events, and fields of one event, whose names differ by case, separators or look-alike letters only. */
final class Naming {
    private Naming() {}

    static void look(Wiring w) {
        Map<String, String> events = new HashMap<>();
        for (EventType event : w.project().events()) {
            String other = events.putIfAbsent(Words.skeleton(event.name()), event.name());
            if (other != null) {
                alike(w, event, event.name(), other);
            }
            Map<String, String> fields = new HashMap<>();
            for (Field field : event.fields()) {
                String like = fields.putIfAbsent(Words.skeleton(field.name()), field.name());
                if (like != null) {
                    alike(w, event, "its field " + field.name(), like);
                }
            }
        }
    }

    private static void alike(Wiring w, EventType event, String name, String other) {
        w.event(
                "names alike",
                Severity.WRONG,
                event,
                name + " looks like " + other
                        + ": game code that means one will send the other, and nothing will tell");
    }
}
