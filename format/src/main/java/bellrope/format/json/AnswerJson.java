package bellrope.format.json;

import bellrope.core.rope.Companion;
import bellrope.core.rope.Companion.ScreenTint;
import bellrope.core.rope.FollowUp;
import bellrope.core.rope.NoticeValue;
import bellrope.core.rope.Stay;
import bellrope.core.value.Vec3;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/** What a rope brings besides its effect, as JSON, both ways. */
final class AnswerJson {
    private static final Form<NoticeValue> VALUE = Form.<NoticeValue>of(
                    "NoticeValue", "A value that a notice carries, from one source.", f -> {
                        var name = f.name("name", NoticeValue::name)
                                .says("By which game code reads it; its own in the notice.");
                        var source = f.part(NoticeValue::source, SourceJson.TOLD);
                        return v -> new NoticeValue(name.of(v), source.of(v));
                    })
            .oneOf(SourceJson.TOLD.keys());

    // What a stay and a follow-up have in common: how long they are in force, and what the game is told of it.
    private record Ending(OptionalDouble inForce, double fadeOut, Optional<String> notice, List<NoticeValue> values) {}

    private static final Form<Ending> ENDING = Form.of("Ending", f -> {
        var inForce = f.maybeNumber("inForce", Ending::inForce)
                .within(Stay.IN_FORCE, "s")
                .says("Seconds after which it ends; it ends by itself if absent.");
        var fadeOut = f.number("fadeOut", Ending::fadeOut)
                .usual(0.0)
                .within(Stay.FADE_OUT, "s")
                .says("Seconds in which it then fades to nothing; with 0 its particles live to their end.");
        var notice = f.maybeName("notice", Ending::notice)
                .says("The name by which the game is told that it begins, is no longer in force, and is gone.");
        var values = f.list("values", Ending::values, VALUE)
                .usual(List.of())
                .atMost(NoticeValue.MAXIMUM)
                .says("What that notice carries.");
        return v -> new Ending(inForce.of(v), fadeOut.of(v), notice.of(v), values.of(v));
    });

    static final Form<Stay> STAY = Form.of(
            "Stay",
            "How long what a moment begins is in force, and what the game is told of it; a time, a notice, or both.",
            f -> {
                var ending = f.part(
                        (Stay stay) -> new Ending(stay.inForce(), stay.fadeOut(), stay.notice(), stay.values()),
                        ENDING);
                return v -> {
                    Ending e = ending.of(v);
                    return new Stay(e.inForce, e.fadeOut, e.notice, e.values);
                };
            });

    static final Form<FollowUp> FOLLOW_UP = Form.of("FollowUp", f -> {
        var play = f.maybeName("play", FollowUp::play).says("The effect that it starts.");
        var announce = f.maybeName("announce", FollowUp::announce)
                .says("The event that it lets happen; either this or an effect.");
        var cue = f.choice("cue", FollowUp::cue, FollowUp.Cue.class)
                .usual(FollowUp.Cue.BEGUN)
                .says("What it waits for.");
        var after = f.number("after", FollowUp::after)
                .usual(0.0)
                .within(FollowUp.AFTER, "s")
                .says("Seconds from there.");
        var offset = f.vector("offset", FollowUp::offset)
                .usual(Vec3.ZERO)
                .within(FollowUp.OFFSET, "u")
                .says("How far from the first effect's place it plays, in the world.");
        var ending = f.part(
                (FollowUp then) -> new Ending(then.inForce(), then.fadeOut(), then.notice(), then.values()), ENDING);
        var id = f.id(FollowUp::id, FollowUp.HIGHEST_ID);
        return v -> {
            Ending e = ending.of(v);
            return new FollowUp(
                    play.of(v),
                    announce.of(v),
                    cue.of(v),
                    after.of(v),
                    offset.of(v),
                    e.inForce,
                    e.fadeOut,
                    e.notice,
                    e.values,
                    id.of(v));
        };
    });

    static final Kinds<Companion> COMPANION = Kinds.of("Companion", "do", k -> {
        var shake = k.kind("shake", Form.<Companion.Shake>of("Shake", f -> {
            var size = f.number("size", Companion.Shake::size)
                    .within(Companion.Shake.SIZE, "u")
                    .says("How far it moves the camera at its beginning.");
            var frequency = f.number("frequency", Companion.Shake::frequency)
                    .within(Companion.Shake.FREQUENCY, "/s")
                    .says("How many times a second it swings.");
            var decay = f.number("decay", Companion.Shake::decay)
                    .within(Companion.Shake.DECAY, "s")
                    .says("Seconds until a twentieth of it is left.");
            return v -> new Companion.Shake(size.of(v), frequency.of(v), decay.of(v));
        }));
        var flash = k.kind("flash", Form.<Companion.Flash>of("Flash", f -> {
            var colour = f.colour("colour", Companion.Flash::colour).says("What the screen is covered with.");
            var opacity = f.number("opacity", Companion.Flash::opacity)
                    .within(Companion.Flash.OPACITY)
                    .says("How opaque it is at its beginning.");
            var seconds = f.number("seconds", Companion.Flash::seconds)
                    .within(Companion.Flash.SECONDS, "s")
                    .says("How long it takes to fade.");
            return v -> new Companion.Flash(colour.of(v), opacity.of(v), seconds.of(v));
        }));
        var tint = k.kind("tint", Form.<ScreenTint>of("Tint", f -> {
            var colour = f.colour("colour", ScreenTint::colour).says("What the screen, or its edges, take on.");
            var opacity = f.number("opacity", ScreenTint::opacity)
                    .within(ScreenTint.OPACITY)
                    .says("How opaque it is while it is held.");
            var area = f.choice("area", ScreenTint::area, ScreenTint.Area.class)
                    .usual(ScreenTint.Area.WHOLE)
                    .says("All of the screen, or its edges alone, towards which it grows.");
            var in = f.number("in", ScreenTint::in)
                    .usual(0.0)
                    .within(ScreenTint.IN, "s")
                    .says("Seconds until it is all there.");
            var hold = f.number("hold", ScreenTint::hold)
                    .usual(0.0)
                    .within(ScreenTint.HOLD, "s")
                    .says("Seconds that it stays.");
            var out = f.number("out", ScreenTint::out)
                    .usual(0.0)
                    .within(ScreenTint.OUT, "s")
                    .says("Seconds until nothing of it is left.");
            return v -> new ScreenTint(colour.of(v), opacity.of(v), area.of(v), in.of(v), hold.of(v), out.of(v));
        }));
        var pause = k.kind("pause", Form.<Companion.HitPause>of("Pause", f -> {
            var seconds = f.number("seconds", Companion.HitPause::seconds)
                    .within(Companion.HitPause.SECONDS, "s")
                    .says("How long the game stands still.");
            return v -> new Companion.HitPause(seconds.of(v));
        }));
        var notice = k.kind("notice", Form.<Companion.Notice>of("Notice", f -> {
            var name = f.name("name", Companion.Notice::name).says("By which game code is told.");
            var after = f.number("after", Companion.Notice::after)
                    .usual(0.0)
                    .within(Companion.Notice.AFTER, "s")
                    .says("Seconds after the answer.");
            var values = f.list("values", Companion.Notice::values, VALUE)
                    .usual(List.of())
                    .atMost(NoticeValue.MAXIMUM)
                    .says("What it carries.");
            return v -> new Companion.Notice(name.of(v), after.of(v), values.of(v));
        }));
        return companion -> companion.match(shake::write, flash::write, tint::write, pause::write, notice::write);
    });

    private AnswerJson() {}
}
