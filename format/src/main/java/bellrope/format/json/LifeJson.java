package bellrope.format.json;

import bellrope.core.effect.Force;
import bellrope.core.effect.Life;
import bellrope.core.value.Curve;
import bellrope.core.value.Vec3;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.function.Function;

/** The second act of an emitter as JSON, both ways. */
final class LifeJson {
    private static final Notation<Force.Falloff> FALLOFF = Notations.choice(
            "Falloff", Force.Falloff.class, "With the distance d: 1 up to the radius r; 1 − d/r; or 1 / (1 + (d/r)²).");

    private static <F> Setting<F, Force.Falloff> falloff(Form.Keys<F> f, Function<F, Force.Falloff> getter) {
        return f.set("falloff", getter, FALLOFF).says("How the force grows weaker towards its radius.");
    }

    private static final Kinds<Force> FORCE = Kinds.of("Force", "kind", "Places and axes in the effect's frame.", k -> {
        var attractor = k.kind("attractor", Form.<Force.Attractor>of("Attractor", f -> {
                    var place = f.vector("place", Force.Attractor::place)
                            .usual(Vec3.ZERO)
                            .always()
                            .within(Force.Attractor.PLACE, "u")
                            .says("Where it pulls to, in the effect's frame.");
                    var strength = f.number("strength", Force.Attractor::strength)
                            .within(Force.Attractor.STRENGTH, "u/s²")
                            .says("How strongly it pulls at its place; negative pushes away.");
                    var radius = f.number("radius", Force.Attractor::radius)
                            .within(Force.Attractor.RADIUS, "u")
                            .says("Within which it is felt, as its fall-off says.");
                    var falloff = falloff(f, Force.Attractor::falloff);
                    return v -> new Force.Attractor(place.of(v), strength.of(v), radius.of(v), falloff.of(v));
                }))
                .says("A force that pulls towards a place.");
        var swirl = k.kind("swirl", Form.<Force.Swirl>of("Swirl", f -> {
                    var place = f.vector("place", Force.Swirl::place)
                            .usual(Vec3.ZERO)
                            .always()
                            .within(Force.Swirl.PLACE, "u")
                            .says("A place on its axis, in the effect's frame.");
                    var axis = f.vector("axis", Force.Swirl::axis)
                            .usual(Vec3.UP)
                            .always()
                            .says("About which it drives, counter-clockwise seen from where the axis points.");
                    var strength = f.number("strength", Force.Swirl::strength)
                            .within(Force.Swirl.STRENGTH, "u/s²")
                            .says("How strongly it drives around; negative the other way.");
                    var radius = f.number("radius", Force.Swirl::radius)
                            .within(Force.Swirl.RADIUS, "u")
                            .says("Within which it is felt, as its fall-off says.");
                    var falloff = falloff(f, Force.Swirl::falloff);
                    return v -> new Force.Swirl(place.of(v), axis.of(v), strength.of(v), radius.of(v), falloff.of(v));
                }))
                .says("A force that drives around an axis.");
        var push = k.kind("push", Form.<Force.Push>of("Push", f -> {
                    var strength = f.number("strength", Force.Push::strength)
                            .within(Force.Push.STRENGTH, "u/s²")
                            .says("How strongly it pushes straight away from the effect's place.");
                    return v -> new Force.Push(strength.of(v));
                }))
                .says("A force that pushes straight away from the effect's place.");
        var turbulence = k.kind("turbulence", Form.<Force.Turbulence>of("Turbulence", f -> {
                    var strength = f.number("strength", Force.Turbulence::strength)
                            .within(Force.Turbulence.STRENGTH, "u/s²")
                            .says("How strongly it pushes about at most, along each axis.");
                    var size = f.number("size", Force.Turbulence::size)
                            .within(Force.Turbulence.SIZE, "u")
                            .says("From one eddy to the next.");
                    var speed = f.number("speed", Force.Turbulence::speed)
                            .within(Force.Turbulence.SPEED, "/s")
                            .says("How many times a second it becomes another pattern.");
                    return v -> new Force.Turbulence(strength.of(v), size.of(v), speed.of(v));
                }))
                .says("A force that pushes about as moving air does.");
        return force -> force.match(attractor::write, swirl::write, push::write, turbulence::write);
    });

    private static final Notation<Life.Lane> LANE = Notations.choice("LaneName", Life.Lane.class);

    private static final Notation<Set<Life.Lane>> LANES = new Notations.Plain<>(
                    (object, key) -> {
                        Set<Life.Lane> lanes = EnumSet.noneOf(Life.Lane.class);
                        List<String> words = object.texts(key);
                        for (int i = 0; i < words.size(); i++) {
                            lane(object, key, words.get(i), i, lanes);
                        }
                        return lanes;
                    },
                    lanes -> {
                        JsonList list = Json.array();
                        lanes.forEach(lane -> list.add(JsonReader.word(lane)));
                        return list;
                    },
                    schema -> Notations.type("array").put("uniqueItems", true).set("items", LANE.rule(schema)))
            .hidden();

    private static void lane(JsonReader object, String key, String word, int index, Set<Life.Lane> into) {
        for (Life.Lane lane : Life.Lane.values()) {
            if (JsonReader.word(lane).equals(word)) {
                into.add(lane);
                return;
            }
        }
        object.wrong(key, index, '"' + word + '"', "size, opacity, colour, speed or spin");
    }

    private static final Form<Map<Life.Lane, Double>> TIMED = Form.of("Timed", f -> {
        Map<Life.Lane, Setting<Map<Life.Lane, Double>, OptionalDouble>> each = new EnumMap<>(Life.Lane.class);
        for (Life.Lane lane : Life.Lane.values()) {
            String word = JsonReader.word(lane);
            each.put(
                    lane,
                    f.maybeNumber(
                                    word,
                                    timed -> timed.containsKey(lane)
                                            ? OptionalDouble.of(timed.get(lane))
                                            : OptionalDouble.empty())
                            .within(Life.TIMED, "s")
                            .says("Seconds that the lane of " + word + " runs over."));
        }
        return v -> {
            Map<Life.Lane, Double> timed = new EnumMap<>(Life.Lane.class);
            each.forEach((lane, setting) -> setting.of(v).ifPresent(seconds -> timed.put(lane, seconds)));
            return timed;
        };
    });

    static final Form<Life> LIFE = Form.of("Life", f -> {
        var gravity = f.vector("gravity", Life::gravity)
                .within(Life.GRAVITY, "u/s²")
                .says("Acceleration in the world: downwards is negative y.");
        var drag = f.number("drag", Life::drag)
                .within(Life.DRAG, "/s")
                .says("Share of its speed that a particle loses each second: 2 halves it in about 0.35 s.");
        var restWithin = f.maybeNumber("restWithin", Life::restWithin)
                .within(Life.REST_WITHIN, "s")
                .says("Seconds in which 99 % of the speed is gone; stands instead of drag.");
        var restEvenly = f.flag("restEvenly", Life::restEvenly)
                .says("Whether it slows evenly to nothing in that time, after half the way; not by drag.");
        var forces = f.list("forces", Life::forces, FORCE)
                .usual(List.of())
                .atMost(Life.MOST_FORCES)
                .says("What pulls, drives and pushes particles while they live.");
        var size = f.curve("size", Life::size)
                .within(Life.SIZE)
                .says("Over life: multiplies the size at birth, or stands instead of it.");
        var opacity = f.curve("opacity", Life::opacity)
                .within(Life.OPACITY)
                .says("Over life: multiplies the opacity at birth, or stands instead of it.");
        var colour = f.gradient("colour", Life::colour).says("Over life, in linear light.");
        var otherColour = f.maybe("otherColour", Life::otherColour, Notations.GRADIENT)
                .says(
                        "A second lane of colours: those of each particle lie between the two, at a share of its own, in linear light.");
        var speed = f.curve("speed", Life::speed)
                .usual(Curve.ONE)
                .within(Life.SPEED)
                .says("Over life: multiplies the velocity, or is u/s.");
        var spin = f.curve("spin", Life::spin)
                .usual(Curve.ONE)
                .within(Life.SPIN)
                .says("Over life: multiplies the spin, or is degrees a second.");
        var replaces = f.set("replaces", Life::replaces, LANES)
                .usual(Set.of())
                .says("Lanes that stand instead of what was born; the others multiply it.");
        var timed = f.set("timed", Life::timed, TIMED)
                .usual(Map.of())
                .says("Seconds from birth that a lane runs over, and then stays as it ends; the others run over life.");
        var live = f.flag("live", Life::live)
                .says(
                        "Whether gravity, drag and forces follow what turns them while particles live, which then move step by step; otherwise an instance keeps those of its beginning.");
        return v -> new Life(
                gravity.of(v),
                drag.of(v),
                restWithin.of(v),
                restEvenly.of(v),
                forces.of(v),
                size.of(v),
                opacity.of(v),
                colour.of(v),
                otherColour.of(v),
                speed.of(v),
                spin.of(v),
                replaces.of(v),
                timed.of(v),
                live.of(v));
    });

    private LifeJson() {}
}
