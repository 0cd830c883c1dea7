package bellrope.server.link;

import bellrope.format.json.JsonText;
import bellrope.format.json.LinkJson;
import bellrope.format.json.LinkJson.Look;
import bellrope.server.socket.Outlet;
import bellrope.server.socket.SignsOfLife;
import bellrope.server.socket.TalkingSocket;
import bellrope.server.store.ProjectStore;
import bellrope.server.store.Refusal;
import java.net.URLDecoder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.BiFunction;
import java.util.function.Supplier;
import java.util.regex.Pattern;
import org.springframework.context.annotation.Configuration;
import org.springframework.util.MultiValueMap;
import org.springframework.web.socket.CloseStatus;
import tools.jackson.databind.JsonNode;

/** The socket of a running game, {@code /link?project=…}: {@code docs/format/link.md}. */
@Configuration
class LinkSocket extends TalkingSocket {
    /** Bytes of one message, and entries in it. */
    static final int MOST_BYTES = 1 << 20;

    static final int MOST_ENTRIES = 5_000;
    /** What a game says it can do, how its subjects look, and characters of one look. */
    private static final int MOST_CAN = 40;

    private static final int MOST_LOOKS = 64;
    private static final int MOST_PATH = 4_000;
    private static final int MOST_PNG = 60_000;
    private static final int MOST_LOOKED = 200_000;
    private static final Pattern PATH = Pattern.compile("[MmLlHhVvCcSsQqTtAaZz0-9eE ,.+\\-\\n]*");
    private static final Pattern BASE64 = Pattern.compile("iVBORw0KGgo[A-Za-z0-9+/]*={0,2}");
    static final CloseStatus REPLACED = new CloseStatus(4409, "the same game came by another socket");
    static final CloseStatus OTHER_PROTOCOL = CloseStatus.PROTOCOL_ERROR.withReason(
            "protocol " + LinkJson.PROTOCOL + " is spoken here; take the client that Handoff offers");
    private static final CloseStatus NO_PROJECT =
            CloseStatus.BAD_DATA.withReason("project: the number or the name of a project");
    static final CloseStatus FULL =
            CloseStatus.SERVICE_OVERLOAD.withReason(Games.MOST + " games are linked already; end one of them");

    private final ProjectStore store;
    private final Games games;
    private final Map<String, Linked> linked = new ConcurrentHashMap<>();

    /** A socket; the game is null until it has said who it is. */
    private static final class Linked {
        private final long project;
        private final Outlet outlet;
        private Running game;

        Linked(long project, Outlet outlet) {
            this.project = project;
            this.outlet = outlet;
        }
    }

    LinkSocket(ProjectStore store, Games games, SignsOfLife life) {
        super(life, "/link", MOST_BYTES);
        this.store = store;
        this.games = games;
    }

    @Override
    protected Optional<CloseStatus> admit(String socket, MultiValueMap<String, String> query, Supplier<Outlet> outlet) {
        Optional<Long> project = project(query.getFirst("project"));
        if (linked.size() >= 4 * Games.MOST) {
            return Optional.of(FULL);
        }
        if (project.isEmpty()) {
            return Optional.of(NO_PROJECT);
        }
        linked.put(socket, new Linked(project.get(), outlet.get()));
        return Optional.empty();
    }

    // By its number or its name; the only one needs neither.
    private Optional<Long> project(String asked) {
        String name;
        try {
            name = asked == null ? "" : URLDecoder.decode(asked, StandardCharsets.UTF_8);
        } catch (IllegalArgumentException e) {
            return Optional.empty();
        }
        List<ProjectStore.Listed> all = store.all().stream()
                .filter(p -> p.snapshot().isPresent())
                .filter(p -> name.isEmpty() || name.equals(Long.toString(p.id())) || name.equals(p.name()))
                .toList();
        return all.size() == 1 ? Optional.of(all.get(0).id()) : Optional.empty();
    }

    @Override
    protected void said(String socket, String text) {
        Linked from = linked.get(socket);
        if (from == null) {
            return;
        }
        JsonText.Parsed parsed = JsonText.parse(text);
        if (parsed.failed() || !parsed.node().isObject()) {
            wrong(from, "", "no JSON object", "one of the messages in docs/format/link.md");
            return;
        }
        try {
            receive(from, parsed.node());
        } catch (Bad bad) {
            wrong(from, bad.place, bad.given, bad.allowed);
        } catch (Refusal refusal) {
            wrong(from, "", "a project that is gone", "a project that is there");
        }
    }

    /** Something in a message is not as it must be. */
    private static final class Bad extends RuntimeException {
        private final String place;
        private final String given;
        private final String allowed;

        Bad(String place, JsonNode given, String allowed) {
            super(allowed, null, false, false);
            this.place = place;
            this.given = given == null ? "missing" : shorten(given.toString());
            this.allowed = allowed;
        }

        private static String shorten(String text) {
            return text.length() > 60 ? text.substring(0, 57) + "…" : text;
        }
    }

    private record Wrong(String is, String place, String given, String allowed) {}

    private static void wrong(Linked to, String place, String given, String allowed) {
        to.outlet.text(JsonText.compact(new Wrong("wrong", place, given, allowed)));
    }

    private void receive(Linked from, JsonNode message) {
        String is = text(message, "is", "/is", 20);
        if (is.equals("hello")) {
            hello(from, message);
            return;
        }
        if (from.game == null) {
            throw new Bad("/is", message.get("is"), "hello, before anything else");
        }
        switch (is) {
            case "said" -> said(from.game, message);
            case "want" -> games.sendWhole(from.game);
            case "taken" -> games.refused(from.game, "");
            case "refused" -> games.refused(from.game, text(message, "why", "/why", 2_000));
            default -> throw new Bad("/is", message.get("is"), "hello, said, want, taken or refused");
        }
    }

    private void hello(Linked from, JsonNode message) {
        if (from.game != null) {
            throw new Bad("/is", message.get("is"), "hello once");
        }
        long protocol = whole(message, "protocol", 0, Integer.MAX_VALUE);
        if (protocol != LinkJson.PROTOCOL) {
            from.outlet.close(OTHER_PROTOCOL);
            return;
        }
        Hello.Who who = new Hello.Who(
                text(message, "game", "/game", 80),
                message.has("contract") ? text(message, "contract", "/contract", 80) : "",
                list(message, "can", MOST_CAN, (one, place) -> text(one, place, 60)),
                looks(message));
        String instance = text(message, "instance", "/instance", 64);
        Hello hello = new Hello(
                who,
                message.has("hash") ? text(message, "hash", "/hash", 64) : "",
                whole(message, "first", 1, 1L << 53),
                (int) whole(message, "step", 0, Integer.MAX_VALUE));
        from.game = games.come(instance, from.project, hello, from.outlet);
        if (from.game == null) {
            from.outlet.close(FULL);
        }
    }

    private static <T> List<T> list(JsonNode message, String key, int most, BiFunction<JsonNode, String, T> read) {
        JsonNode list = message.get(key);
        if (list == null) {
            return List.of();
        }
        if (!list.isArray() || list.size() > most) {
            throw new Bad("/" + key, list, "a list of at most " + most);
        }
        List<T> all = new ArrayList<>();
        for (int i = 0; i < list.size(); i++) {
            all.add(read.apply(list.get(i), "/" + key + "/" + i));
        }
        return List.copyOf(all);
    }

    // Together small enough for a bench to be sent those of every game that can be linked.
    private static List<Look> looks(JsonNode message) {
        List<Look> looks = list(message, "looks", MOST_LOOKS, LinkSocket::look);
        int characters = looks.stream()
                .mapToInt(l -> (l.path() == null ? l.png() : l.path()).length())
                .sum();
        if (characters > MOST_LOOKED) {
            throw new Bad(
                    "/looks",
                    null,
                    "at most " + MOST_LOOKED + " characters of paths and pictures in all, these are " + characters);
        }
        return looks;
    }

    private static Look look(JsonNode look, String place) {
        String name = text(look.get("name"), place + "/name", 80);
        boolean drawn = look.has("path");
        String key = drawn ? "path" : "png";
        String shape = text(look.get(key), place + "/" + key, drawn ? MOST_PATH : MOST_PNG);
        if (!(drawn ? PATH : BASE64).matcher(shape).matches()) {
            throw new Bad(place + "/" + key, look.get(key), drawn ? "the d of an SVG path" : "a PNG in base64");
        }
        double width = size(look, "width", place);
        double height = size(look, "height", place);
        return new Look(name, drawn ? shape : null, drawn ? null : shape, width, height);
    }

    private static double size(JsonNode look, String key, String place) {
        JsonNode value = look.get(key);
        if (value == null || !value.isNumber() || !(value.doubleValue() >= 0.01 && value.doubleValue() <= 1_000)) {
            throw new Bad(place + "/" + key, value, "0.01 to 1000 u");
        }
        return value.doubleValue();
    }

    private void said(Running game, JsonNode message) {
        long first = whole(message, "from", 1, 1L << 53);
        int step = (int) whole(message, "step", 0, Integer.MAX_VALUE);
        JsonNode list = message.get("entries");
        if (list == null || !list.isArray() || list.size() > MOST_ENTRIES) {
            throw new Bad("/entries", list, "a list of at most " + MOST_ENTRIES);
        }
        List<Running.Entry> entries = new ArrayList<>();
        for (int i = 0; i < list.size(); i++) {
            entries.add(entry(list.get(i), "/entries/" + i));
        }
        games.said(game, first, step, entries);
    }

    // What an event carries is looked at where it is followed.
    private static Running.Entry entry(JsonNode entry, String place) {
        if (!entry.isObject()) {
            throw new Bad(place, entry, "a CloudEvents 1.0 event");
        }
        if (!entry.path("specversion").asString("").equals("1.0")) {
            throw new Bad(place + "/specversion", entry.get("specversion"), "\"1.0\"");
        }
        for (String key : List.of("id", "source", "type")) {
            text(entry, key, place + "/" + key, 200);
        }
        int step = (int) whole(entry, "step", place + "/step", 0, Integer.MAX_VALUE);
        long taken = entry.get("type").stringValue().equals(LinkJson.TAKEN)
                ? whole(entry.path("data"), "change", place + "/data/change", -(1L << 53), 1L << 53)
                : 0;
        return new Running.Entry(step, taken, JsonText.compact(entry));
    }

    private static String text(JsonNode node, String key, String place, int most) {
        return text(node.get(key), place, most);
    }

    private static String text(JsonNode value, String place, int most) {
        if (value == null
                || !value.isString()
                || value.stringValue().isEmpty()
                || value.stringValue().length() > most) {
            throw new Bad(place, value, "a text of 1 to " + most + " characters");
        }
        return value.stringValue();
    }

    private static long whole(JsonNode node, String key, long least, long most) {
        return whole(node, key, "/" + key, least, most);
    }

    private static long whole(JsonNode node, String key, String place, long least, long most) {
        JsonNode value = node.isObject() ? node.get(key) : null;
        if (value == null
                || !value.isIntegralNumber()
                || !value.canConvertToLong()
                || value.longValue() < least
                || value.longValue() > most) {
            throw new Bad(place, value, "a whole number from " + least + " to " + most);
        }
        return value.longValue();
    }

    @Override
    protected void left(String socket) {
        Linked gone = linked.remove(socket);
        if (gone != null && gone.game != null) {
            games.leave(gone.game, gone.outlet);
        }
    }
}
