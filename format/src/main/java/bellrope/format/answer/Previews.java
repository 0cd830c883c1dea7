package bellrope.format.answer;

import bellrope.core.check.Subject;
import bellrope.core.effect.Effect;
import bellrope.core.effect.Emitter;
import bellrope.core.effect.Parameter;
import bellrope.core.measure.Numbers;
import bellrope.core.project.Project;
import bellrope.core.rope.Rope;
import bellrope.core.stage.Preview;
import bellrope.core.stage.Take;
import bellrope.core.stage.told.Account.Played;
import bellrope.core.value.Datum;
import bellrope.core.value.Problem;
import bellrope.core.value.Vec3;
import bellrope.core.value.Words;
import bellrope.format.json.JsonValue;
import bellrope.format.json.PayloadJson;
import bellrope.format.json.Problems;
import bellrope.format.report.EffectReport;
import bellrope.format.report.NumbersReport;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.jspecify.annotations.Nullable;

/** Effects played for their own sake. */
public final class Previews {
    private Previews() {}

    /** Plays an effect as it is wished for. */
    public static Answer<PreviewHead> of(Whole whole, PreviewWish wish) {
        Project project = whole.project();
        Effect effect = whole.effect(wish.effect());
        Preview preview =
                preview(effect, wish.rope() == null ? Optional.empty() : Optional.of(whole.rope(wish.rope())), wish);
        // What is noticed, and mended, is the effect as it was authored.
        Project played = played(project, effect, wish.alone());
        Take take = preview.take(played, false);
        if (!take.account().refused().isEmpty()) {
            throw new Wrong(take.account().refused().stream()
                    .map(p -> new Problem("/payload" + p.place(), p.given(), p.allowed()))
                    .toList());
        }
        Subject subject = Subject.of(project, effect, preview, take);
        Vec3 facing = ((Played) take.account().answers().get(0)).facing();
        PreviewHead head = new PreviewHead(
                take.pace().stepsPerSecond(),
                NumbersReport.of(Numbers.of(take)),
                EffectReport.of(subject),
                Answer.live(take),
                Answer.presence(take),
                take.ended(),
                new double[] {facing.x(), facing.y(), facing.z()},
                PayloadJson.write(preview.pull(project).payload()));
        return new Answer<>(head, take, preview.viewing(played));
    }

    private static Project played(Project project, Effect effect, @Nullable String alone) {
        if (alone == null) {
            return project;
        }
        if (effect.emitter(alone).isEmpty()) {
            List<String> names = effect.emitters().stream().map(Emitter::name).toList();
            throw new Wrong("/alone", '"' + alone + '"', Words.known("emitter", alone, names));
        }
        return project.withEffects(project.effects().stream()
                .map(e -> e == effect ? e.alone(alone) : e)
                .toList());
    }

    private static Preview preview(Effect effect, Optional<Rope> rope, PreviewWish wish) {
        Preview usual = Preview.plain(effect, wish.seed());
        Vec3 velocity = usual.velocity();
        double[] given = wish.velocity();
        if (given != null) {
            if (given.length != 3) {
                throw new Wrong("/velocity", given.length + " numbers", "three numbers: x, y, z in u/s");
            }
            velocity = new Vec3(given[0], given[1], given[2]);
        }
        return new Preview(
                effect.name(),
                rope,
                payload(wish.payload()),
                choice("/surface", wish.surface(), Preview.Surface.GROUND),
                choice("/side", wish.side(), Preview.Side.LEFT),
                velocity,
                wish.seed(),
                wish.stopAfter() == null ? OptionalDouble.empty() : OptionalDouble.of(wish.stopAfter()),
                turned(effect, wish.set()));
    }

    static Map<String, Datum> payload(@Nullable JsonValue given) {
        if (given == null || given.isNull()) {
            return Map.of();
        }
        Problems problems = new Problems();
        Map<String, Datum> payload = PayloadJson.read(given, "/payload", problems);
        if (!problems.none()) {
            throw new Wrong(problems.list());
        }
        return payload;
    }

    // What was turned by hand; a wrong value says which parameter and what it takes.
    private static Map<String, Datum> turned(Effect effect, @Nullable JsonValue set) {
        if (set == null || set.isNull()) {
            return Map.of();
        }
        Problems problems = new Problems();
        Map<String, Datum> values = PayloadJson.read(set, "/set", problems);
        List<String> names = effect.parameters().stream().map(Parameter::name).toList();
        values.forEach((name, value) -> {
            Optional<Parameter> parameter = effect.parameter(name);
            if (parameter.isEmpty()) {
                problems.add(
                        "/set/" + name,
                        "unknown",
                        "the name of a parameter of " + effect.name() + Words.nearest(name, names));
            } else if (!parameter.get().type().accepts(value)) {
                problems.add(
                        "/set/" + name, value.inWords(), parameter.get().type().expects());
            }
        });
        if (!problems.none()) {
            throw new Wrong(problems.list());
        }
        return values;
    }

    private static <E extends Enum<E>> E choice(String place, @Nullable String given, E usual) {
        if (given == null) {
            return usual;
        }
        E[] all = usual.getDeclaringClass().getEnumConstants();
        List<String> words =
                Arrays.stream(all).map(e -> e.name().toLowerCase(Locale.ROOT)).toList();
        int at = words.indexOf(given);
        if (at < 0) {
            throw new Wrong(place, '"' + given + '"', Words.either(words));
        }
        return all[at];
    }
}
