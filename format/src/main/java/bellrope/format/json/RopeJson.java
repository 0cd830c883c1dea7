package bellrope.format.json;

import bellrope.core.rope.Facing;
import bellrope.core.rope.Feed;
import bellrope.core.rope.Limits;
import bellrope.core.rope.Note;
import bellrope.core.rope.Overrides;
import bellrope.core.rope.Owner;
import bellrope.core.rope.Pointing;
import bellrope.core.rope.Rope;
import bellrope.core.rope.Run;
import bellrope.core.rope.Source;
import bellrope.core.rope.Timing;
import bellrope.core.rope.When;
import bellrope.core.rope.Where;
import bellrope.core.value.Remap;
import bellrope.core.value.Vec3;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Ropes as JSON, both ways. */
final class RopeJson {
    private static final Form<Note> NOTE = Form.of("Rope", f -> {
        var off = f.flag("off", Note::off).says("Whether it is switched off.");
        var remark = f.text("remark", Note::remark)
                .usual("")
                .characters(0, Note.LONGEST_REMARK)
                .says("What a colleague ought to know.");
        var group = f.maybeName("group", Note::group)
                .says("Ropes of one group can count together and be switched off together.");
        return v -> new Note(off.of(v), remark.of(v), group.of(v));
    });

    private static final Form<When> WHEN = Form.of("Rope", f -> {
        var event = f.name("event", When::event).says("The event that it answers.");
        var value = f.maybeName("value", When::value).says("Of a state; absent while none is chosen.");
        var match = f.choice("match", When::match, When.Match.class)
                .usual(When.Match.ALL)
                .says("How many conditions must hold; all if absent.");
        var conditions = f.list("conditions", When::conditions, ConditionJson.CONDITION)
                .atMost(When.MOST_CONDITIONS)
                .says("What must be so.");
        return v -> new When(event.of(v), value.of(v), match.of(v), conditions.of(v));
    });

    private static final Form<Overrides> OVERRIDES =
            Form.of("Overrides", "What the rope says otherwise than the effect.", f -> {
                var count = f.number("count", Overrides::count)
                        .usual(1.0)
                        .within(Overrides.COUNT, "×")
                        .says("Multiplies how many particles are spawned.");
                var size = f.number("size", Overrides::size)
                        .usual(1.0)
                        .within(Overrides.SIZE, "×")
                        .says("Multiplies how large they are.");
                var speed = f.number("speed", Overrides::speed)
                        .usual(1.0)
                        .within(Overrides.SPEED, "×")
                        .says("Multiplies how fast they are thrown.");
                var duration = f.maybeNumber("duration", Overrides::duration)
                        .within(Overrides.DURATION, "s")
                        .says("Stands instead of the effect's duration.");
                var colour = f.maybe("colour", Overrides::colour, Notations.COLOUR)
                        .says("Multiplies every colour in linear light.");
                var fadeOut = f.maybeNumber("fadeOut", Overrides::fadeOut)
                        .within(Overrides.FADE_OUT, "s")
                        .says("Stands instead of the fade-out of a loop.");
                var cutAfter = f.maybeNumber("cutAfter", Overrides::cutAfter)
                        .formerly("goneAfter")
                        .within(Overrides.CUT_AFTER, "s")
                        .says("Seconds after which all of it is cut, whatever still lives.");
                var order = f.maybeWhole("order", Overrides::order)
                        .within(Overrides.ORDER)
                        .says("How far in front it is drawn, instead of the effect's own.");
                return v -> new Overrides(
                        count.of(v),
                        size.of(v),
                        speed.of(v),
                        duration.of(v),
                        colour.of(v),
                        fadeOut.of(v),
                        cutAfter.of(v),
                        order.of(v));
            });

    // But for the offset, which stands beside it.
    private static final Form<Where> WHERE = Form.of("Where", f -> {
        var at = f.choice("at", Where::anchor, Where.Anchor.class)
                .says("At the place of the event, of the subject, of a named place, or of the camera.");
        var follow = f.flag("follow", Where::follow).says("Whether it goes on with the subject or the camera.");
        var name = f.maybeName("name", Where::place).says("The place that is meant.");
        var frame = f.choice("frame", Where::frame, Where.Frame.class)
                .usual(Where.Frame.SURFACE)
                .says("Whose axes the offset is along; the surface's if absent.");
        var depth = f.maybeNumber("depth", Where::depth)
                .within(Where.DEPTH, "u")
                .says("How deep in the world it lies; negative is farther away.");
        return v -> new Where(at.of(v), follow.of(v), name.of(v), Vec3.ZERO, frame.of(v), depth.of(v));
    });

    // But for the facing, which stands beside it.
    private static final Form<Pointing> POINTING = Form.of("Pointing", f -> {
        var fixed = f.vector("fixed", Pointing::fixed)
                .usual(Vec3.UP)
                .says("The direction of the facing fixed; up if absent.");
        var spread = f.number("spread", Pointing::spread)
                .usual(0.0)
                .within(Pointing.SPREAD, "°")
                .says("Largest angle between a throw and its facing, drawn for each answer.");
        var velocity = f.number("velocity", Pointing::velocity)
                .usual(1.0)
                .within(Pointing.VELOCITY, "×")
                .says("Share of the subject's velocity.");
        var turns = f.flag("turns", Pointing::turns).says("Whether it turns with the subject that it follows.");
        return v -> new Pointing(Facing.UP, fixed.of(v), spread.of(v), velocity.of(v), turns.of(v));
    });

    private record Driven(Source source, Optional<Remap> remap) {}

    // What drives a parameter, and what becomes of it on the way.
    private static final Inline<Driven> DRIVEN = new Inline<>() {
        @Override
        public Driven among(JsonReader object) {
            Source source = SourceJson.DRIVING.among(object);
            boolean drawn = source instanceof Source.Random;
            boolean mapped = object.has("in") | object.has("out");
            Optional<Remap> remap =
                    drawn || mapped ? Optional.ofNullable(form(drawn).among(object)) : Optional.empty();
            return new Driven(source, remap);
        }

        @Override
        public void write(Driven driven, JsonObject node) {
            SourceJson.DRIVING.write(driven.source, node);
            driven.remap.ifPresent(
                    remap -> form(driven.source instanceof Source.Random).write(remap, node));
        }

        private static Form<Remap> form(boolean drawn) {
            return drawn ? ParameterJson.DRAWN : ParameterJson.REMAP;
        }

        @Override
        public void describe(JsonObject properties, JsonList required, SchemaWriter schema) {
            SourceJson.DRIVING.describe(properties, required, schema);
            JsonObject mapped = Json.object();
            ParameterJson.REMAP.describe(mapped, Json.array(), schema);
            mapped.set(
                    "in",
                    ((JsonObject) mapped.get("in"))
                            .put("description", "From which to which value of the source it is read."));
            mapped.set(
                    "out",
                    ((JsonObject) mapped.get("out"))
                            .put(
                                    "description",
                                    "What the parameter is at the least and at the most of those values; it may fall."));
            mapped.keys().forEach(key -> properties.set(key, mapped.get(key)));
        }
    };

    private static final Form<Feed.Follow> FOLLOW =
            Form.of("Feed", "How a value drives a parameter. Without in and out it is handed on as it is.", f -> {
                var rise = f.number("rise", Feed.Follow::rise)
                        .usual(0.0)
                        .within(Feed.Follow.RISE, "s")
                        .says("How slowly it follows upwards: after this time it has gone 63 % of the way.");
                var fall = f.number("fall", Feed.Follow::fall)
                        .usual(0.0)
                        .within(Feed.Follow.FALL, "s")
                        .says("How slowly it follows downwards: after this time it has gone 63 % of the way.");
                var every = f.number("every", Feed.Follow::every)
                        .usual(0.0)
                        .within(Feed.Follow.EVERY, "s")
                        .says("Seconds between two looks at the source; each step if absent.");
                return v -> new Feed.Follow(rise.of(v), fall.of(v), every.of(v));
            });

    private static final Form<Feed> FEED = Form.<Feed>of(
                    "Feed", "How a value drives a parameter. Without in and out it is handed on as it is.", f -> {
                        var parameter =
                                f.name("parameter", Feed::parameter).says("The parameter of the effect that it turns.");
                        var driven = f.part(feed -> new Driven(feed.source(), feed.remap()), DRIVEN);
                        var follow = f.part(Feed::follow, FOLLOW);
                        return v -> new Feed(parameter.of(v), driven.of(v).source, driven.of(v).remap, follow.of(v));
                    })
            .oneOf(SourceJson.DRIVING.keys());

    private static final Form<Run> RUN = Form.of("Run", "What spans and states add.", f -> {
        var start = f.maybeName("start", Run::start).says("An effect that plays once when it begins.");
        var end = f.maybeName("end", Run::end).says("An effect that plays once when it ends.");
        var fadeIn = f.maybeNumber("fadeIn", Run::fadeIn)
                .within(Run.FADE, "s")
                .says("Seconds in which it comes up; stands instead of a loop's wind-up.");
        var fadeOut = f.maybeNumber("fadeOut", Run::fadeOut)
                .within(Run.FADE, "s")
                .says("Seconds in which it dies away; stands instead of a loop's fade-out.");
        var longest = f.maybeNumber("longest", Run::longest)
                .within(Run.LONGEST, "s")
                .says("Seconds after which a span ends by itself, if nothing ends it before.");
        var again = f.choice("again", Run::again, Run.Again.class)
                .usual(Run.Again.CONTINUE)
                .says("What a second beginning does.");
        var order = f.choice("order", Run::order, Run.Order.class)
                .usual(Run.Order.TOGETHER)
                .says("Of one value of a state and the next.");
        return v ->
                new Run(start.of(v), end.of(v), fadeIn.of(v), fadeOut.of(v), longest.of(v), again.of(v), order.of(v));
    });

    private static final Form<Timing> TIMING = Form.of("Timing", f -> {
        var delay = f.number("delay", Timing::delay)
                .usual(0.0)
                .within(Timing.DELAY, "s")
                .says("Seconds between the event and the answer.");
        var jitter = f.number("jitter", Timing::jitter)
                .usual(0.0)
                .within(Timing.JITTER, "s")
                .says("Up to so many seconds more, drawn for each answer.");
        return v -> new Timing(delay.of(v), jitter.of(v));
    });

    /** Words of older bundles. */
    private static final Map<String, Limits.WhenFull> FORMER = Map.of("least weighty", Limits.WhenFull.LOWEST_WEIGHT);

    private static final Form<Limits> LIMITS = Form.of("Limits", f -> {
        var cooldown = f.number("cooldown", Limits::cooldown)
                .usual(0.0)
                .within(Limits.COOLDOWN, "s")
                .says("Seconds in which it does not answer again.");
        var perSecond = f.maybeNumber("perSecond", Limits::perSecond)
                .within(Limits.PER_SECOND, "/s")
                .says("How many answers a second there are at most.");
        var once = f.flag("once", Limits::once).says("Whether it answers once for each subject, and then no more.");
        var until = f.maybeName("until", Limits::until).says("The event after which it may answer again.");
        var alive = f.maybeWhole("alive", Limits::alive)
                .within(Limits.ALIVE)
                .says("How many of its answers play at once at most.");
        var together = f.flag("together", Limits::together).says("Whether all ropes of the group are counted.");
        var whenFull = f.set("whenFull", Limits::whenFull, Notations.choice(Limits.WhenFull.class, FORMER))
                .usual(Limits.WhenFull.SKIP)
                .says("What happens when so many play already.");
        var distance = f.number("distance", Limits::distance)
                .usual(0.0)
                .within(Limits.DISTANCE, "u")
                .says("How far from its last answer the next must be.");
        var chance = f.number("chance", Limits::chance)
                .usual(1.0)
                .within(Limits.CHANCE)
                .says("How likely it answers at all.");
        return v -> new Limits(
                cooldown.of(v),
                perSecond.of(v),
                once.of(v),
                until.of(v),
                alive.of(v),
                together.of(v),
                whenFull.of(v),
                distance.of(v),
                chance.of(v));
    });

    private static final Form<Owner> OWNER = Form.of("Owner", f -> {
        var end = f.choice("end", Owner::end, Owner.AtEnd.class)
                .says("Whether it finishes, fades or is cut when its subject is gone.");
        var over = f.number("over", Owner::over)
                .usual(0.0)
                .within(Owner.OVER, "s")
                .says("Seconds in which it fades then.");
        return v -> new Owner(end.of(v), over.of(v));
    });

    static final Form<Rope> ROPE = Form.of("Rope", f -> {
        var name = f.name("name", Rope::name).says("What the rope is called in lists and accounts.");
        var seed = f.whole("seed", Rope::seed)
                .within(Rope.SEED)
                .says("Address of its instances' random draws, unique in the project.");
        var note = f.part(Rope::note, NOTE);
        var when = f.part(Rope::when, WHEN);
        var play = f.maybeName("play", Rope::play).says("Name of an effect; absent while none is chosen.");
        var overrides = f.set("overrides", Rope::overrides, OVERRIDES)
                .usual(Overrides.NONE)
                .says("What is different for this rope alone; the effect stays as it is.");
        var offset = f.vector("offset", rope -> rope.where().offset())
                .usual(Vec3.ZERO)
                .always()
                .within(Where.OFFSET, "u")
                .says(
                        "u, in the frame that place names; if it names none, y along the event's normal, x along its direction.");
        var place = f.set("place", (Rope rope) -> rope.where().withOffset(Vec3.ZERO), WHERE)
                .usual(Where.POINT)
                .says("Where the effect plays.");
        var facing = f.set("facing", Rope::facing, Notations.choice("FacingName", Facing.class))
                .says("Which way the effect faces.");
        var pointing = f.set("pointing", (Rope rope) -> rope.pointing().facing(Facing.UP), POINTING)
                .usual(Pointing.of(Facing.UP))
                .says("How its facing is turned, spread and led.");
        var feeds =
                f.list("feeds", Rope::feeds, FEED).atMost(Rope.MOST_FEEDS).says("What turns the effect's parameters.");
        var run = f.set("run", Rope::run, RUN)
                .usual(Run.PLAIN)
                .says("How it begins, goes on and ends with a span or a state.");
        var stay = f.maybe("stay", Rope::stay, AnswerJson.STAY)
                .says("How long what a moment begins is in force, and what the game is told of it.");
        var timing = f.set("timing", Rope::timing, TIMING).usual(Timing.AT_ONCE).says("When it answers.");
        var limits = f.set("limits", Rope::limits, LIMITS)
                .usual(Limits.NONE)
                .says("How often, how many and how likely it answers.");
        var hit = f.set("hit", Rope::hit, SourceJson.LENGTH)
                .in("u")
                .usual(Optional.empty())
                .says("How far the game's own hit test reaches: a length, or a field of the payload.");
        var owner = f.set("owner", Rope::owner, OWNER)
                .usual(Owner.FINISH)
                .says("What becomes of it when its subject is gone; it finishes if absent.");
        var then = f.list("then", Rope::followUps, AnswerJson.FOLLOW_UP)
                .usual(List.of())
                .atMost(Rope.MOST_THEN)
                .says("What it starts later.");
        var with = f.list("with", Rope::companions, AnswerJson.COMPANION)
                .usual(List.of())
                .atMost(Rope.MOST_WITH)
                .says("What comes with it: a shake, a flash, a pause, a notice.");
        return v -> new Rope(
                name.of(v),
                seed.of(v),
                note.of(v),
                when.of(v),
                play.of(v),
                overrides.of(v),
                place.of(v).withOffset(offset.of(v)),
                pointing.of(v).facing(facing.of(v)),
                feeds.of(v),
                run.of(v),
                timing.of(v),
                limits.of(v),
                owner.of(v),
                then.of(v),
                with.of(v),
                hit.of(v),
                stay.of(v));
    });

    private RopeJson() {}
}
