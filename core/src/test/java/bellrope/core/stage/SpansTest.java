package bellrope.core.stage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import bellrope.core.Sample;
import bellrope.core.event.Pull;
import bellrope.core.rope.Feed;
import bellrope.core.rope.Limits;
import bellrope.core.rope.Owner;
import bellrope.core.rope.Rope;
import bellrope.core.rope.Run;
import bellrope.core.rope.Source;
import bellrope.core.rope.When;
import bellrope.core.rope.Where;
import bellrope.core.stage.told.Account;
import bellrope.core.value.Datum;
import bellrope.core.value.Range;
import bellrope.core.value.Vec3;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class SpansTest {
    private static final Run WITH_ENDS = new Run(
            Optional.of("puff"),
            Optional.of("hiss"),
            OptionalDouble.empty(),
            OptionalDouble.empty(),
            OptionalDouble.empty(),
            Run.Again.CONTINUE,
            Run.Order.TOGETHER);

    private static Rope reel(Run run) {
        return Sample.rope("reel", 1, "kite.reeling", "smoke").with(d -> d.run = run);
    }

    private static void steps(Stage stage, int count) {
        for (int i = 0; i < count; i++) {
            stage.step();
        }
    }

    @Nested
    class ASpan {
        @Test
        void runsFromItsBeginningToItsEndWithOneShotsAtBoth() {
            Stage stage = new Stage(Sample.game(reel(WITH_ENDS)));
            Account begun = stage.pull(Sample.reels(new Vec3(3, 1, 0), 9));
            assertThat(begun.answered()).isEqualTo(1);
            assertThat(stage.instances()).isEqualTo(2);
            steps(stage, 120);
            assertThat(stage.instances()).as("the puff is over, the smoke runs").isEqualTo(1);
            assertThat(stage.particles()).isBetween(14, 16);
            Account ended = stage.pull(Pull.end("kite.reeling"));
            assertThat(ended.answers().get(0).inWords()).isEqualTo("smoke ends after 2 s, with hiss");
            assertThat(stage.instances()).isEqualTo(2);
            steps(stage, 60);
            assertThat(stage.still()).isTrue();
        }

        @Test
        void endsByItselfAfterItsLongestTime() {
            Run run = new Run(
                    Optional.empty(),
                    Optional.empty(),
                    OptionalDouble.empty(),
                    OptionalDouble.empty(),
                    OptionalDouble.of(1),
                    Run.Again.CONTINUE,
                    Run.Order.TOGETHER);
            Stage stage = new Stage(Sample.game(reel(run)));
            stage.pull(Sample.reels(Vec3.ZERO, 9));
            steps(stage, 59);
            assertThat(stage.holding()).isEqualTo(1);
            steps(stage, 1);
            assertThat(stage.holding()).isZero();
            assertThat(stage.unasked())
                    .singleElement()
                    .satisfies(a -> assertThat(a.notes())
                            .containsExactly("reel has lasted as long as it may, and ends by itself"));
            steps(stage, 60);
            assertThat(stage.still()).isTrue();
        }

        @ParameterizedTest
        @CsvSource({"CONTINUE, 1, 1", "RESTART, 1, 2", "STACK, 2, 2"})
        void begunTwiceDoesAsItsRopeSays(Run.Again again, int held, int instances) {
            Run run = new Run(
                    Optional.empty(),
                    Optional.empty(),
                    OptionalDouble.empty(),
                    OptionalDouble.empty(),
                    OptionalDouble.empty(),
                    again,
                    Run.Order.TOGETHER);
            Stage stage = new Stage(Sample.game(reel(run)));
            stage.pull(Sample.reels(Vec3.ZERO, 9));
            steps(stage, 10);
            stage.pull(Sample.reels(Vec3.ZERO, 10));
            assertThat(stage.holding()).isEqualTo(held);
            assertThat(stage.instances()).isEqualTo(instances);
            for (int i = 0; i < held; i++) {
                assertThat(stage.pull(Pull.end("kite.reeling")).answered()).isEqualTo(1);
            }
            steps(stage, 60);
            assertThat(stage.still()).isTrue();
        }

        @Test
        void begunAnewTakesThePlaceOfWhatRanWhereOnlyOneMayPlay() {
            Run anew = new Run(
                    Optional.empty(),
                    Optional.empty(),
                    OptionalDouble.empty(),
                    OptionalDouble.empty(),
                    OptionalDouble.empty(),
                    Run.Again.RESTART,
                    Run.Order.TOGETHER);
            for (Limits.WhenFull full : Limits.WhenFull.values()) {
                Rope one = reel(anew).with(d -> d.limits = Limits.alive(1, full));
                Stage stage = new Stage(Sample.game(one));
                stage.pull(Sample.reels(Vec3.ZERO, 9));
                steps(stage, 10);
                assertThat(stage.pull(Sample.reels(Vec3.ZERO, 10)).answered()).isEqualTo(1);
                assertThat(stage.holding()).isEqualTo(1);
                steps(stage, 120);
                assertThat(stage.instances()).as("the new one goes on").isEqualTo(1);
            }
        }

        @Test
        void endedWithoutHavingBegunIsSaidAndHarmless() {
            Stage stage = new Stage(Sample.game(reel(WITH_ENDS)));
            Account account = stage.pull(Pull.end("kite.reeling"));
            assertThat(account.notes()).containsExactly("kite.reeling ends for kite without anything that runs");
            assertThat(stage.still()).isTrue();
        }

        @Test
        void ofOneSubjectLeavesTheOthersAlone() {
            Stage stage = new Stage(Sample.game(reel(Run.PLAIN)));
            stage.pull(Sample.reels(Vec3.ZERO, 1).of("red kite"));
            stage.pull(Sample.reels(Vec3.ZERO, 2).of("blue kite"));
            assertThat(stage.holding()).isEqualTo(2);
            stage.pull(Pull.end("kite.reeling").of("red kite"));
            assertThat(stage.holding()).isEqualTo(1);
        }

        /** Source: common practice: held climbs, release drops. */
        @Test
        void fedByTheTimeHeldItGrows() {
            Rope growing = reel(Run.PLAIN)
                    .with(d -> d.feeds = List.of(new Feed("rate", new Source.Held(), new Range(0, 2), 0.5, 2)));
            Stage stage = new Stage(Sample.game(growing));
            stage.pull(Sample.reels(Vec3.ZERO, 9));
            long before = stage.births();
            steps(stage, 30);
            long first = stage.births() - before;
            steps(stage, 90);
            before = stage.births();
            steps(stage, 30);
            long fifth = stage.births() - before;
            // 30 a second: in the first half second at 0.5…0.875 of it, later at twice.
            assertThat(first).isBetween(5L, 17L);
            assertThat(fifth).isCloseTo(30, within(1L));
            stage.pull(Pull.end("kite.reeling"));
            steps(stage, 16);
            long after = stage.births();
            steps(stage, 30);
            assertThat(stage.births()).as("released").isEqualTo(after);
        }

        @Test
        void fedByAChannelItFollowsWhatIsPublished() {
            Rope fed = reel(Run.PLAIN)
                    .with(d -> d.feeds = List.of(new Feed("rate", new Source.Channel("wind"), new Range(2, 12), 1, 4)));
            Stage stage = new Stage(Sample.game(fed));
            stage.pull(Sample.reels(Vec3.ZERO, 9));
            steps(stage, 60);
            assertThat(stage.births()).isCloseTo(30, within(9L));
            long before = stage.births();
            stage.publish("wind", 12);
            steps(stage, 60);
            assertThat(stage.births() - before).isCloseTo(120, within(1L));
        }

        @Test
        void retunedInTheMiddleItIsWhereItWouldHaveBeen() {
            Rope rope = reel(WITH_ENDS).with(d -> {
                d.where = Where.following(new Vec3(1, 0, 0));
                d.feeds = List.of(new Feed("rate", new Source.Held(), new Range(0, 2), 0.5, 2));
            });
            Stage straight = new Stage(Sample.game(rope));
            Stage retuned = new Stage(Sample.game(rope));
            for (Stage stage : List.of(straight, retuned)) {
                stage.pull(Sample.reels(new Vec3(3, 1, 0), 9).moving(new Vec3(2, 0, 0)));
                for (int i = 0; i < 80; i++) {
                    stage.move("kite", new Vec3(3 + i * 0.05, 1 + i * 0.01, 0), Vec3.ZERO, null);
                    stage.step();
                }
            }
            retuned.retune(Sample.game(rope));
            assertThat(retuned.frame(1)).isEqualTo(straight.frame(1));
        }
    }

    @Nested
    class AnOwner {
        private Stage running(Owner owner) {
            Stage stage = new Stage(Sample.game(reel(Run.PLAIN).with(d -> d.owner = owner)));
            stage.pull(Sample.reels(Vec3.ZERO, 9));
            steps(stage, 60);
            return stage;
        }

        @Test
        void thatIsGoneLetsTheRestFinish() {
            Stage stage = running(Owner.FINISH);
            Account account = stage.gone("kite");
            assertThat(account.answered()).isEqualTo(1);
            assertThat(stage.particles()).isPositive();
            steps(stage, 60);
            assertThat(stage.still()).isTrue();
        }

        @Test
        void mayTakeItAllAlong() {
            Stage stage = running(new Owner(Owner.AtEnd.VANISH, 0));
            stage.gone("kite");
            assertThat(stage.particles()).isZero();
            assertThat(stage.still()).isTrue();
        }

        @Test
        void mayLetItDimToNothing() {
            Stage stage = running(new Owner(Owner.AtEnd.FADE, 0.2));
            stage.gone("kite");
            int particles = stage.particles();
            double before = presence(stage);
            steps(stage, 6);
            assertThat(presence(stage)).isLessThan(before * 0.6);
            steps(stage, 6);
            assertThat(particles).isPositive();
            assertThat(stage.still()).isTrue();
        }

        private static double presence(Stage stage) {
            double sum = 0;
            for (var layer : stage.layers()) {
                layer.appear(stage.now());
                sum += layer.presence();
            }
            return sum;
        }

        @Test
        void thatWasNeverThereIsSaid() {
            Stage stage = new Stage(Sample.game());
            assertThat(stage.gone("crow-9").notes()).containsExactly("nothing was known of crow-9");
        }
    }

    @Nested
    class AState {
        private static Rope rain(String name, int seed, String value, Run.Order order) {
            return Sample.rope(name, seed, "weather", "smoke").with(d -> {
                d.when = new When("weather", Optional.of(value), When.Match.ALL, List.of());
                d.run = new Run(
                        Optional.empty(),
                        Optional.empty(),
                        OptionalDouble.of(0.5),
                        OptionalDouble.of(0.5),
                        OptionalDouble.empty(),
                        Run.Again.CONTINUE,
                        order);
            });
        }

        @Test
        void runsOnlyWhatItsValueWants() {
            Stage stage = new Stage(Sample.game(
                    rain("fine", 1, "drizzle", Run.Order.TOGETHER), rain("hard", 2, "downpour", Run.Order.TOGETHER)));
            Account account = stage.pull(Pull.set("weather", "drizzle", Map.of(), 1));
            assertThat(account.answers())
                    .extracting(Account.Answer::inWords)
                    .containsExactly("smoke at (0, 0, 0)", "smoke silent: weather is drizzle, wants downpour");
            steps(stage, 60);
            account = stage.pull(Pull.set("weather", "downpour", Map.of(), 2));
            assertThat(account.answers()).extracting(Account.Answer::rope).containsExactly("fine", "hard");
            steps(stage, 15);
            assertThat(stage.instances())
                    .as("both, while one fades into the other")
                    .isEqualTo(2);
            steps(stage, 60);
            assertThat(stage.instances()).isEqualTo(1);
            stage.pull(Pull.set("weather", "clear", Map.of(), 3));
            steps(stage, 61);
            assertThat(stage.still()).isTrue();
        }

        @Test
        void mayWaitForTheOneBefore() {
            Stage stage = new Stage(Sample.game(
                    rain("fine", 1, "drizzle", Run.Order.TOGETHER), rain("hard", 2, "downpour", Run.Order.AFTER)));
            stage.pull(Pull.set("weather", "drizzle", Map.of(), 1));
            steps(stage, 60);
            Account account = stage.pull(Pull.set("weather", "downpour", Map.of(), 2));
            assertThat(((Account.Played) account.answers().get(1)).delay()).isEqualTo(0.5);
            assertThat(stage.instances()).isEqualTo(1);
            steps(stage, 30);
            assertThat(stage.instances()).isEqualTo(2);
        }

        @Test
        void takesNoValueThatItDoesNotHave() {
            Stage stage = new Stage(Sample.game());
            Account account = stage.pull(Pull.set("weather", "drizle", Map.of(), 1));
            assertThat(account.summary())
                    .isEqualTo("refused: /value: \"drizle\": one of clear, drizzle or downpour; did you mean drizzle?");
            assertThat(stage.pull(new Pull("weather", Map.of(), 1)).refused()).isNotEmpty();
        }
    }

    @Test
    void badPullsAreRefusedAndTheStageGoesOn() {
        Stage stage = new Stage(Sample.game(reel(WITH_ENDS)));
        assertThat(stage.pull(Pull.begin("kite.reeling", Map.of(), 1)).refused())
                .hasSize(2);
        assertThat(stage.pull(Pull.begin(
                                "kite.reeling",
                                Map.of(
                                        "position", new Datum.Vec(Vec3.ZERO),
                                        "force", new Datum.Num(1),
                                        "froce", new Datum.Num(1)),
                                1))
                        .summary())
                .contains("did you mean force?");
        assertThat(stage.advance(-1)).isZero();
        assertThat(stage.advance(Double.NaN)).isZero();
        assertThat(stage.pull(Sample.reels(Vec3.ZERO, 1)).notes())
                .containsExactly(
                        "the clock was told to advance by -1 s; nothing moved",
                        "the clock was told to advance by NaN s; nothing moved");
    }
}
