package bellrope.core.effect;

import static org.assertj.core.api.Assertions.assertThat;

import bellrope.core.Sample;
import bellrope.core.effect.End.Child;
import bellrope.core.stage.Stage;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** Emitters that are switched off. */
class OffTest {
    private static Emitter burst(String name, int seed, int count) {
        return Sample.emitter(name, seed, Sample.burst(count, 0.5), Sample.still());
    }

    private static Emitter spawning(Emitter parent, String child) {
        Child one = new Child(Child.When.AT_BIRTH, Optional.of(child), Optional.empty(), 2, 2, 1, 1, 0, false, false);
        return parent.withEnd(new End(Optional.empty(), List.of(one), Optional.empty()));
    }

    private static int born(Effect effect) {
        Stage stage = new Stage(Sample.project(effect));
        stage.pull(Sample.landing(9, "thatch", 1));
        return stage.particles();
    }

    @Test
    void spawnNothingAndNothingSpawnsThem() {
        Emitter parent = spawning(burst("parent", 1, 3), "child");
        Emitter child = burst("child", 2, 0);
        assertThat(born(Sample.effect("all", parent, child))).isEqualTo(9);
        assertThat(born(Sample.effect("no children", parent, child.switched(true))))
                .isEqualTo(3);
        assertThat(born(Sample.effect("no parent", parent.switched(true), child)))
                .isZero();
    }

    @Test
    void leaveTheOthersAsTheyWere() {
        Effect both = Sample.effect("both", burst("one", 1, 4), burst("other", 2, 5));
        Stage with = new Stage(Sample.project(both));
        Stage without = new Stage(Sample.project(both.changed("other", e -> e.switched(true))));
        Stage alone = new Stage(Sample.project(Sample.effect("both", burst("one", 1, 4))));
        for (Stage stage : List.of(with, without, alone)) {
            stage.pull(Sample.landing(9, "thatch", 1));
        }
        assertThat(with.particles()).isEqualTo(9);
        assertThat(without.frame(1)).isEqualTo(alone.frame(1));
    }

    @Test
    void playAloneWithTheirLineOfChildrenAndWithThoseThatSpawnThem() {
        Effect effect = Sample.effect(
                "all",
                burst("flash", 1, 1),
                spawning(burst("pieces", 2, 3), "dust"),
                spawning(burst("dust", 3, 0), "smoke"),
                burst("smoke", 4, 0).switched(true));
        assertThat(on(effect.alone("flash"))).containsExactly("flash");
        assertThat(on(effect.alone("pieces"))).containsExactly("pieces", "dust", "smoke");
        assertThat(on(effect.alone("smoke"))).containsExactly("pieces", "dust", "smoke");
        Effect circle = Sample.effect("circle", spawning(burst("a", 1, 1), "b"), spawning(burst("b", 2, 0), "a"));
        assertThat(on(circle.alone("a"))).containsExactly("a", "b");
    }

    private static List<String> on(Effect effect) {
        return effect.emitters().stream()
                .filter(e -> !e.off())
                .map(Emitter::name)
                .toList();
    }

    @Test
    void changeNothingWhileAllAreOn() {
        Effect effect = Sample.effect("all", spawning(burst("parent", 1, 3), "child"), burst("child", 2, 0));
        assertThat(effect.playing()).isSameAs(effect);
    }
}
