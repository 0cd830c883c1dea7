package bellrope.core.stage;

import static org.assertj.core.api.Assertions.assertThat;

import bellrope.core.Sample;
import bellrope.core.event.Pull;
import bellrope.core.project.Project;
import bellrope.core.rope.Companion;
import bellrope.core.rope.FollowUp;
import bellrope.core.rope.Limits;
import bellrope.core.rope.Owner;
import bellrope.core.rope.Rope;
import bellrope.core.rope.Run;
import bellrope.core.rope.Timing;
import bellrope.core.rope.When;
import bellrope.core.rope.Where;
import bellrope.core.value.Vec3;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** Whatever begins, ends, dies and changes, in whatever order: nothing is left once all holds have passed. */
class LeakTest {
    private static final int SEQUENCES = 10_000;
    private static final List<String> SUBJECTS = List.of("", "red kite", "blue kite");
    private static final List<String> WEATHERS = List.of("clear", "drizzle", "downpour");

    @Test
    void noSequenceLeavesAnythingBehind() {
        for (int seed = 0; seed < SEQUENCES; seed++) {
            Random r = new Random(seed);
            Project project = Sample.game(ropes(r).toArray(Rope[]::new));
            Stage stage = new Stage(project);
            for (int i = 0; i < 14; i++) {
                anything(stage, project, r);
            }
            // The ends of all that may last, then the longest of all holds.
            SUBJECTS.forEach(s -> {
                for (int i = 0; i < 16; i++) {
                    stage.pull(Pull.end("kite.reeling").of(s));
                }
                stage.pull(Pull.set("weather", "clear", Map.of(), 1).of(s));
            });
            for (int i = 0; i < 360 && !stage.still(); i++) {
                stage.step();
            }
            assertThat(stage.still())
                    .as("seed %d: %d instances, %d held", seed, stage.instances(), stage.holding())
                    .isTrue();
            assertThat(stage.particles()).as("seed %d", seed).isZero();
        }
    }

    private static void anything(Stage stage, Project project, Random r) {
        String subject = SUBJECTS.get(r.nextInt(3));
        Vec3 place = new Vec3(r.nextInt(9), r.nextInt(5), 0);
        switch (r.nextInt(9)) {
            case 0, 1 -> stage.pull(Sample.reels(place, r.nextInt(99)).of(subject));
            case 2 -> stage.pull(Pull.end("kite.reeling").of(subject));
            case 3 -> stage.gone(subject.isEmpty() ? "kite" : subject);
            case 4 ->
                stage.pull(Pull.set("weather", WEATHERS.get(r.nextInt(3)), Map.of(), 2)
                        .of(subject));
            case 5 ->
                stage.pull(Sample.landing(r.nextInt(14), "stone", r.nextInt(99)).of(subject));
            case 6 -> stage.move(subject.isEmpty() ? "kite" : subject, place, Vec3.ZERO, null);
            case 7 -> stage.retune(project);
            default -> stage.advance(r.nextDouble() * 0.4);
        }
        stage.advance(r.nextDouble() * 0.1);
        int alive = stage.layers().stream().mapToInt(l -> l.store().count()).sum();
        if (stage.particles() != alive) {
            throw new AssertionError(stage.particles() + " particles are counted where " + alive + " live");
        }
    }

    private static List<Rope> ropes(Random r) {
        List<Rope> ropes = new ArrayList<>();
        for (int i = 0; i < 3; i++) {
            ropes.add(Sample.rope("reel " + i, i, "kite.reeling", r.nextBoolean() ? "smoke" : "puff")
                    .with(d -> any(d, r)));
            ropes.add(Sample.rope("weather " + i, 10 + i, "weather", "smoke").with(d -> {
                any(d, r);
                d.when = new When("weather", Optional.of(WEATHERS.get(1 + r.nextInt(2))), When.Match.ALL, List.of());
            }));
            ropes.add(Sample.rope("landing " + i, 20 + i, "courier.landed", "puff")
                    .with(d -> any(d, r)));
        }
        return ropes;
    }

    private static void any(Rope.Draft d, Random r) {
        d.timing = r.nextInt(3) == 0 ? new Timing(r.nextDouble() * 0.3, r.nextDouble() * 0.2) : Timing.AT_ONCE;
        d.where = r.nextBoolean() ? Where.following(new Vec3(1, 0, 0)) : Where.POINT;
        d.owner = switch (r.nextInt(3)) {
            case 0 -> Owner.FINISH;
            case 1 -> new Owner(Owner.AtEnd.VANISH, 0);
            default -> new Owner(Owner.AtEnd.FADE, 0.1 + r.nextDouble() * 0.3);
        };
        d.run = new Run(
                r.nextBoolean() ? Optional.of("puff") : Optional.empty(),
                r.nextBoolean() ? Optional.of("hiss") : Optional.empty(),
                OptionalDouble.empty(),
                r.nextBoolean() ? OptionalDouble.of(r.nextDouble() * 0.5) : OptionalDouble.empty(),
                r.nextInt(3) == 0 ? OptionalDouble.of(0.1 + r.nextDouble()) : OptionalDouble.empty(),
                Run.Again.values()[r.nextInt(3)],
                Run.Order.values()[r.nextInt(2)]);
        if (r.nextInt(3) == 0) {
            d.limits = Limits.alive(1 + r.nextInt(2), Limits.WhenFull.values()[r.nextInt(3)]);
        }
        if (r.nextBoolean()) {
            boolean forced = r.nextBoolean();
            d.followUps = List.of(new FollowUp(
                    Optional.of(forced ? "smoke" : "hiss"),
                    Optional.empty(),
                    FollowUp.Cue.values()[r.nextInt(3)],
                    r.nextDouble() * 0.3,
                    Vec3.ZERO,
                    forced ? OptionalDouble.of(r.nextDouble() * 0.4) : OptionalDouble.empty(),
                    forced && r.nextBoolean() ? 0.2 : 0,
                    r.nextBoolean() ? Optional.of("later") : Optional.empty()));
        }
        if (r.nextInt(4) == 0) {
            d.companions = List.of(
                    new Companion.Shake(0.1, 8, 0.2), new Companion.HitPause(0.05), new Companion.Notice("thud", 0.1));
        }
    }

    // What an instance has of its own must go with it, also when the stage is cleared: otherwise each pull after it is
    // slower.
    @Test
    void clearingLeavesNoLayerBehind() {
        Stage stage = new Stage(Sample.game(Sample.rope("landing", 1, "courier.landed", "puff")
                .with(d -> d.limits = Limits.alive(50, Limits.WhenFull.OLDEST))));
        for (int round = 0; round < 3; round++) {
            for (int i = 0; i < 20; i++) {
                stage.pull(Sample.landing(9, "stone", i));
            }
            assertThat(stage.layers()).hasSize(20);
            stage.clear();
            assertThat(stage.layers()).isEmpty();
            assertThat(stage.particles()).isZero();
        }
    }
}
