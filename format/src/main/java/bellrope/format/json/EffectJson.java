package bellrope.format.json;

import bellrope.core.effect.Course;
import bellrope.core.effect.Effect;
import bellrope.core.effect.Emitter;
import bellrope.core.effect.End;
import java.util.List;

/** Effects as JSON, both ways. */
final class EffectJson {
    private enum CourseKind {
        ONE_SHOT,
        LOOPING
    }

    private static final Form<Course> COURSE = Form.of("Course", f -> {
        var kind = f.choice(
                        "kind", course -> course.looping() ? CourseKind.LOOPING : CourseKind.ONE_SHOT, CourseKind.class)
                .says("Whether it plays once, or goes on until it is told to stop.");
        var duration = f.number("duration", Course::duration)
                .within(Course.DURATION, "s")
                .says("Seconds: of a one-shot, or of one cycle of a loop.");
        var windUp = f.number("windUp", Course::windUp)
                .usual(0.0)
                .within(Course.WIND_UP, "s")
                .says("Seconds over which a loop's births come true one by one.");
        var fadeOut = f.number("fadeOut", Course::fadeOut)
                .usual(0.0)
                .within(Course.FADE_OUT, "s")
                .says("Seconds over which they cease, once told to stop.");
        var playback = f.number("playback", Course::playback)
                .usual(1.0)
                .within(Course.PLAYBACK, "×")
                .says("How many times as fast as written everything in it happens.");
        return v -> new Course(
                kind.of(v) == CourseKind.LOOPING, duration.of(v), windUp.of(v), fadeOut.of(v), playback.of(v));
    });

    private static final Form<Emitter> EMITTER = Form.of("Emitter", f -> {
        var name = f.name("name", Emitter::name).says("What these particles are.");
        var seed = f.whole("seed", Emitter::seed)
                .within(Emitter.SEED)
                .says("Address of its random draws, unique in its effect.");
        var birth = f.set("birth", Emitter::birth, BirthJson.BIRTH)
                .says("How many particles are spawned, when, where, and how they begin.");
        var look = f.set("look", Emitter::look, LookJson.LOOK)
                .says("The picture of a particle, and how it is laid over others.");
        var life = f.set("life", Emitter::life, LifeJson.LIFE).says("How a particle moves and changes while it lives.");
        var end = f.set("end", Emitter::end, EndJson.END)
                .usual(End.NONE)
                .says("What it bounces off, what it spawns, and what it draws behind it.");
        var off = f.flag("off", Emitter::off)
                .says("Whether it is switched off: it spawns nothing, and nothing spawns it.");
        return v ->
                new Emitter(name.of(v), seed.of(v), birth.of(v), look.of(v), life.of(v), end.of(v)).switched(off.of(v));
    });

    private static final Form<Effect.Try> TRY = Form.of("Try", f -> {
        var name = f.name("name", Effect.Try::name).says("What it is called in the list of tries.");
        var values = f.set("values", Effect.Try::values, Notations.VALUES).says("Values by the names of parameters.");
        return v -> new Effect.Try(name.of(v), values.of(v));
    });

    static final Form<Effect> EFFECT = Form.of("Effect", f -> {
        var name = f.name("name", Effect::name).says("By which ropes play it.");
        var description =
                f.text("description", Effect::description).usual("").always().says("What is seen, in a sentence.");
        var course =
                f.set("course", Effect::course, COURSE).says("Whether it runs once, or on until it is told to stop.");
        var seed = f.maybeUpTo("seed", Effect::seed, Effect.HIGHEST_SEED)
                .says("Stands instead of the pull's; absent for another look each pull.");
        var order = f.whole("order", Effect::order)
                .usual(0)
                .within(Effect.ORDER)
                .says(
                        "How far in front it is drawn: higher numbers lie over lower ones, and those of one number in the order of the project.");
        var emitters = f.list("emitters", Effect::emitters, EMITTER)
                .from(1, Effect.MOST_EMITTERS)
                .says("Drawn first to last.");
        var parameters = f.list("parameters", Effect::parameters, ParameterJson.PARAMETER)
                .atMost(Effect.MOST_PARAMETERS)
                .says("What game code and ropes may turn.");
        var tries = f.list("tries", Effect::tries, TRY)
                .usual(List.of())
                .atMost(Effect.MOST_TRIES)
                .says("Named sets of parameter values to compare; those not named have their default.");
        return v -> new Effect(
                name.of(v),
                description.of(v),
                course.of(v),
                seed.of(v),
                emitters.of(v),
                parameters.of(v),
                tries.of(v),
                order.of(v));
    });

    private EffectJson() {}
}
