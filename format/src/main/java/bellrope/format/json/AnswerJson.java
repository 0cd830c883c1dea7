package bellrope.format.json;

import bellrope.core.rope.Companion;
import bellrope.core.rope.Companion.ScreenTint;
import bellrope.core.rope.FollowUp;
import bellrope.core.rope.NoticeValue;
import bellrope.core.rope.Source;
import bellrope.core.rope.Stay;
import bellrope.core.value.Rgba;
import bellrope.core.value.Vec3;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/** What a rope brings besides its effect, as JSON, both ways. */
final class AnswerJson {
    private AnswerJson() {}

    private enum Kind {
        SHAKE,
        FLASH,
        TINT,
        PAUSE,
        NOTICE
    }

    static FollowUp followUp(JsonReader t) {
        Optional<String> play = t.maybeText("play");
        Optional<String> announce = t.maybeText("announce");
        FollowUp.Cue cue = t.choice("cue", FollowUp.Cue.class, FollowUp.Cue.BEGUN);
        double after = t.number("after", 0);
        Vec3 offset = t.vector("offset", Vec3.ZERO);
        OptionalDouble inForce = t.maybeNumber("inForce");
        double fadeOut = t.number("fadeOut", 0);
        Optional<String> notice = t.maybeText("notice");
        List<NoticeValue> values = values(t);
        int id = t.id();
        return t.make(() -> new FollowUp(play, announce, cue, after, offset, inForce, fadeOut, notice, values, id));
    }

    static Stay stay(JsonReader t) {
        OptionalDouble inForce = t.maybeNumber("inForce");
        double fadeOut = t.number("fadeOut", 0);
        Optional<String> notice = t.maybeText("notice");
        List<NoticeValue> values = values(t);
        return t.make(() -> new Stay(inForce, fadeOut, notice, values));
    }

    static void write(Stay stay, JsonObject node) {
        ending(stay.inForce(), stay.fadeOut(), stay.notice(), stay.values(), node);
    }

    private static void ending(
            OptionalDouble inForce,
            double fadeOut,
            Optional<String> notice,
            List<NoticeValue> values,
            JsonObject node) {
        inForce.ifPresent(s -> node.set("inForce", Json.number(s)));
        if (fadeOut != 0) {
            node.set("fadeOut", Json.number(fadeOut));
        }
        notice.ifPresent(name -> node.put("notice", name));
        write(values, node);
    }

    private static List<NoticeValue> values(JsonReader t) {
        return t.has("values") ? t.list("values", AnswerJson::value) : List.of();
    }

    private static NoticeValue value(JsonReader t) {
        String name = t.text("name");
        Source source = RopeJson.anySource(t);
        return source == null ? null : t.make(() -> new NoticeValue(name, source));
    }

    private static void write(List<NoticeValue> values, JsonObject node) {
        if (!values.isEmpty()) {
            JsonList all = node.putArray("values");
            for (NoticeValue value : values) {
                JsonObject one = all.addObject();
                one.put("name", value.name());
                RopeJson.write(value.source(), one);
            }
        }
    }

    static void write(FollowUp f, JsonObject node) {
        f.play().ifPresent(effect -> node.put("play", effect));
        f.announce().ifPresent(event -> node.put("announce", event));
        if (f.cue() != FollowUp.Cue.BEGUN) {
            node.put("cue", JsonReader.word(f.cue()));
        }
        if (f.after() != 0) {
            node.set("after", Json.number(f.after()));
        }
        if (!f.offset().equals(Vec3.ZERO)) {
            node.set("offset", Json.vector(f.offset()));
        }
        ending(f.inForce(), f.fadeOut(), f.notice(), f.values(), node);
        node.put("id", f.id());
    }

    static Companion companion(JsonReader t) {
        return switch (t.choice("do", Kind.class)) {
            case SHAKE -> {
                double size = t.number("size");
                double frequency = t.number("frequency");
                double decay = t.number("decay");
                yield t.make(() -> new Companion.Shake(size, frequency, decay));
            }
            case FLASH -> {
                Rgba colour = t.parsed("colour", Rgba::parse);
                double opacity = t.number("opacity");
                double seconds = t.number("seconds");
                yield t.make(() -> new Companion.Flash(colour, opacity, seconds));
            }
            case TINT -> {
                Rgba colour = t.parsed("colour", Rgba::parse);
                double opacity = t.number("opacity");
                ScreenTint.Area area = t.choice("area", ScreenTint.Area.class, ScreenTint.Area.WHOLE);
                double in = t.number("in", 0);
                double hold = t.number("hold", 0);
                double out = t.number("out", 0);
                yield t.make(() -> new ScreenTint(colour, opacity, area, in, hold, out));
            }
            case PAUSE -> {
                double seconds = t.number("seconds");
                yield t.make(() -> new Companion.HitPause(seconds));
            }
            case NOTICE -> {
                String name = t.text("name");
                double after = t.number("after", 0);
                List<NoticeValue> values = values(t);
                yield t.make(() -> new Companion.Notice(name, after, values));
            }
        };
    }

    static void write(Companion companion, JsonObject node) {
        companion.visit(
                shake -> {
                    node.put("do", "shake");
                    node.set("size", Json.number(shake.size()));
                    node.set("frequency", Json.number(shake.frequency()));
                    node.set("decay", Json.number(shake.decay()));
                },
                flash -> {
                    node.put("do", "flash");
                    node.put("colour", flash.colour().toString());
                    node.set("opacity", Json.number(flash.opacity()));
                    node.set("seconds", Json.number(flash.seconds()));
                },
                tint -> {
                    node.put("do", "tint");
                    node.put("colour", tint.colour().toString());
                    node.set("opacity", Json.number(tint.opacity()));
                    if (tint.area() != ScreenTint.Area.WHOLE) {
                        node.put("area", JsonReader.word(tint.area()));
                    }
                    Json.unless(node, "in", tint.in(), 0);
                    Json.unless(node, "hold", tint.hold(), 0);
                    Json.unless(node, "out", tint.out(), 0);
                },
                pause -> {
                    node.put("do", "pause");
                    node.set("seconds", Json.number(pause.seconds()));
                },
                notice -> {
                    node.put("do", "notice");
                    node.put("name", notice.name());
                    Json.unless(node, "after", notice.after(), 0);
                    write(notice.values(), node);
                });
    }
}
