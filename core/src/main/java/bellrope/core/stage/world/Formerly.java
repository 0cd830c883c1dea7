package bellrope.core.stage.world;

import bellrope.core.contract.Alias;
import bellrope.core.event.Pull;
import bellrope.core.value.Datum;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** Former names that game code may still use: what comes under one is taken under the present one, and said to be. */
public final class Formerly {
    private final Map<Key, String> now = new HashMap<>();

    private record Key(Alias.Kind kind, String within, String from) {}

    public Formerly(List<Alias> aliases) {
        aliases.forEach(a -> now.put(new Key(a.kind(), a.within(), a.from()), a.to()));
    }

    /** Returns the present name; the same where it is no former one. */
    public String name(Alias.Kind kind, String within, String given) {
        return now.isEmpty() ? given : now.getOrDefault(new Key(kind, within, given), given);
    }

    /**
     * Returns a pull under its present names; the very same where none was a former one.
     *
     * @param said takes a line for each former name
     */
    public Pull pull(Pull given, List<String> said) {
        if (now.isEmpty()) {
            return given;
        }
        String event = name(Alias.Kind.EVENT, "", given.event());
        Pull pull = given;
        if (!event.equals(given.event())) {
            said.add(given.event() + " is called " + event
                    + " now; deprecated, the former name is accepted for this version");
            pull = given.called(event);
        }
        Map<String, Datum> payload = null;
        for (String field : given.payload().keySet()) {
            String present = name(Alias.Kind.FIELD, event, field);
            if (!present.equals(field) && !given.payload().containsKey(present)) {
                payload = payload == null ? new LinkedHashMap<>(given.payload()) : payload;
                payload.put(present, payload.remove(field));
                said.add(field + " is called " + present
                        + " now; deprecated, the former name is accepted for this version");
            }
        }
        return payload == null ? pull : pull.with(payload);
    }
}
