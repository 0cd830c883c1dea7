package bellrope.core.score;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import bellrope.core.Sample;
import bellrope.core.event.EventType;
import bellrope.core.event.Pull;
import bellrope.core.value.Curve;
import bellrope.core.value.Datum;
import bellrope.core.value.Range;
import bellrope.core.value.Refused;
import bellrope.core.value.Vec3;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.hipparchus.distribution.continuous.ExponentialDistribution;
import org.hipparchus.distribution.continuous.UniformRealDistribution;
import org.hipparchus.stat.inference.KolmogorovSmirnovTest;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class WritingTest {
    private static final List<EventType> EVENTS =
            List.of(Sample.landed(), Sample.struck(), Sample.reeling(), Sample.weather());

    private static Score score(double seconds, Lane... lanes) {
        return new Score("run", seconds, 5, List.of(lanes), List.of());
    }

    private static List<Double> times(Score score, int lane) {
        return Writing.of(score, EVENTS, 0).arrivals().stream()
                .filter(a -> a.lane() == lane && a.pull().phase() != Pull.Phase.END)
                .map(Arrival::at)
                .toList();
    }

    private static Lane landing(int id, Pattern when) {
        return new Lane(id, "courier.landed", when);
    }

    @Test
    void aSteadyRateIsEven() {
        assertThat(times(score(1, landing(1, new Pattern.Steady(4))), 1)).containsExactly(0.0, 0.25, 0.5, 0.75);
    }

    /** Source: gaps of a Poisson process are exponential (common practice); Kolmogorov–Smirnov of Hipparchus. */
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3})
    void gapsOfAPoissonProcessAreExponential(long seed) {
        Score score = new Score("run", 400, seed, List.of(landing(1, new Pattern.Poisson(5))), List.of());
        List<Double> at = times(score, 1);
        double[] gaps = new double[at.size() - 1];
        for (int i = 0; i < gaps.length; i++) {
            gaps[i] = at.get(i + 1) - at.get(i);
        }
        assertThat(at.size()).isBetween(1850, 2150);
        assertThat(new KolmogorovSmirnovTest().kolmogorovSmirnovTest(new ExponentialDistribution(0.2), gaps))
                .isGreaterThan(0.001);
    }

    /** Source: given how many there are, arrivals of rate 0 … r lie as the square root of even ones (inversion, from memory). */
    @Test
    void aRisingRateFollowsItsCurve() {
        List<Double> at = times(score(100, landing(1, new Pattern.Rising(Curve.through(0, 0, 1, 40)))), 1);
        assertThat(at.size()).isBetween(1850, 2150);
        double[] even = at.stream().mapToDouble(t -> t / 100 * (t / 100)).toArray();
        assertThat(new KolmogorovSmirnovTest().kolmogorovSmirnovTest(new UniformRealDistribution(0, 1), even))
                .isGreaterThan(0.001);
    }

    @Test
    void salvosComeTogetherAgainAndAgain() {
        List<Double> at = times(score(10, landing(1, new Pattern.Salvos(8, 0.5, 4))), 1);
        assertThat(at).hasSize(24).isSorted();
        assertThat(at.subList(0, 8)).allMatch(t -> t >= 0 && t <= 0.5);
        assertThat(at.subList(8, 16)).allMatch(t -> t >= 4 && t <= 4.5);
        assertThat(at.subList(16, 24)).allMatch(t -> t >= 8 && t <= 8.5);
    }

    @Test
    void whatComesAfterComesWithItsChanceAndIsHandedTheSameFields() {
        Lane hit = new Lane(2, "courier.struck", new Pattern.After(1, 0.4, 0.1));
        Lane shot = new Lane(
                1,
                "courier.landed",
                "courier",
                1,
                false,
                0,
                OptionalDouble.empty(),
                new Pattern.Steady(50),
                Lane.Manner.USUAL,
                List.of(),
                Range.ONE,
                new Vec3(6, 0, 0),
                OptionalDouble.empty());
        Written written = Writing.of(score(40, hit, shot), EVENTS, 0);
        List<Arrival> hits =
                written.arrivals().stream().filter(a -> a.lane() == 2).toList();
        double share = hits.size() / 2000.0;
        // Three standard errors of a binomial share.
        assertThat(share).isCloseTo(0.4, within(3 * Math.sqrt(0.24 / 2000)));
        for (Arrival one : hits) {
            Arrival cause = written.arrivals().stream()
                    .filter(a -> a.lane() == 1 && Math.abs(a.at() + 0.1 - one.at()) < 1e-9)
                    .findFirst()
                    .orElseThrow();
            assertThat(one.pull().payload().get("position"))
                    .isEqualTo(cause.pull().payload().get("position"));
            assertThat(one.pull().subject()).isEqualTo("courier");
        }
    }

    @Test
    void aLaneThatIsAddedMutedOrFasterChangesNoOther() {
        Lane one = landing(1, new Pattern.Poisson(3));
        List<Arrival> alone = Writing.of(score(20, one), EVENTS, 0).arrivals();
        Written both = Writing.of(score(20, new Lane(7, "courier.struck", new Pattern.Poisson(9)), one), EVENTS, 0);
        assertThat(both.arrivals().stream().filter(a -> a.lane() == 1)).containsExactlyElementsOf(alone);
        assertThat(Writing.of(score(20, one), EVENTS, 1).arrivals()).isNotEqualTo(alone);
        assertThat(Writing.of(score(20, one), EVENTS, 0).arrivals()).isEqualTo(alone);
        assertThat(alone).extracting(a -> a.pull().seed()).doesNotHaveDuplicates();
    }

    @Test
    void aSpanEndsAfterItsLengthAndAtTheEndOfTheScoreAtTheLatest() {
        Lane lane = new Lane(
                1,
                "kite.reeling",
                new Pattern.Marks(List.of(new Mark(1, OptionalDouble.of(2), Optional.empty(), Map.of()), new Mark(8))));
        List<Arrival> arrivals = Writing.of(score(8.5, lane), EVENTS, 0).arrivals();
        assertThat(arrivals)
                .extracting(a -> a.pull().phase() + " " + a.at())
                .containsExactly("BEGIN 1.0", "END 3.0", "BEGIN 8.0", "END 8.5");
    }

    @Test
    void aStateTakesWhatIsSaidInTurn() {
        Lane lane = new Lane(1, "weather", new Pattern.Steady(1));
        assertThat(Writing.of(score(4, lane), EVENTS, 0).arrivals())
                .extracting(a -> a.pull().value().orElseThrow())
                .containsExactly("clear", "drizzle", "downpour", "clear");
        Lane said = lane.saying(
                List.of(new Said(Optional.of("downpour"), Map.of()), new Said(Optional.of("clear"), Map.of())));
        assertThat(Writing.of(score(3, said), EVENTS, 0).arrivals())
                .extracting(a -> a.pull().value().orElseThrow())
                .containsExactly("downpour", "clear", "downpour");
    }

    @Test
    void everythingThatIsWrittenIsAPullThatItsEventAccepts() {
        List<Lane> lanes = new ArrayList<>();
        for (int i = 0; i < EVENTS.size(); i++) {
            for (Lane.Manner manner : Lane.Manner.values()) {
                lanes.add(new Lane(
                        10 * i + manner.ordinal() + 1,
                        EVENTS.get(i).name(),
                        "crow",
                        3,
                        false,
                        0.5,
                        OptionalDouble.of(9),
                        new Pattern.Poisson(4),
                        manner,
                        List.of(),
                        new Range(0.1, 2),
                        new Vec3(1, 2, 3),
                        OptionalDouble.of(1)));
            }
        }
        Written written = Writing.of(score(10, lanes.toArray(Lane[]::new)), EVENTS, 3);
        assertThat(written.arrivals()).hasSizeGreaterThan(400).allSatisfy(a -> {
            EventType event = EVENTS.stream()
                    .filter(e -> e.name().equals(a.pull().event()))
                    .findFirst()
                    .orElseThrow();
            assertThat(event.check(a.pull())).isEmpty();
            assertThat(a.pull().subject()).matches("crow-[123]");
        });
        assertThat(written.arrivals()).extracting(Arrival::at).isSorted();
        assertThat(written.gone()).isNotEmpty().allMatch(g -> g.at() <= 10);
        List<Double> speeds = written.arrivals().stream()
                .filter(a -> a.lane() == 4)
                .map(a -> ((Datum.Num) a.pull().payload().get("speed")).value())
                .toList();
        assertThat(speeds).allMatch(s -> s >= 0 && s <= 14).doesNotContainSequence(7.0, 7.0);
    }

    @Test
    void whatCannotBeIsRefusedWhereItStands() {
        refused(() -> score(0), "seconds");
        refused(() -> score(4000), "seconds");
        refused(() -> new Mark(-1), "at");
        refused(() -> new Pattern.Poisson(0), "perSecond");
        refused(() -> new Pattern.Salvos(3, 2, 1), "within");
        refused(() -> score(3600, landing(1, new Pattern.Steady(1000))), "lanes");
        refused(() -> score(1, landing(1, new Pattern.Steady(1)), landing(1, new Pattern.Steady(1))), "lanes/1/id");
        refused(() -> score(1, landing(1, new Pattern.After(2, 1, 0))), "lanes/0/when/lane");
        refused(
                () -> score(1, landing(1, new Pattern.After(2, 1, 0)), landing(2, new Pattern.After(1, 1, 0))),
                "lanes/0/when/lane");
        refused(
                () -> new Channelled("wind", List.of(new Channelled.Point(2, 1), new Channelled.Point(2, 3))),
                "points/1/at");
    }

    private static void refused(org.assertj.core.api.ThrowableAssert.ThrowingCallable making, String place) {
        assertThatThrownBy(making)
                .isInstanceOfSatisfying(
                        Refused.class, r -> assertThat(r.place()).isEqualTo(place));
    }

    @Test
    void aChannelIsEvenBetweenItsPoints() {
        Channelled wind = new Channelled(
                "wind", List.of(new Channelled.Point(2, 4), new Channelled.Point(4, 8), new Channelled.Point(5, 0)));
        assertThat(List.of(wind.at(0), wind.at(2), wind.at(3), wind.at(4.5), wind.at(9)))
                .containsExactly(4.0, 4.0, 6.0, 4.0, 0.0);
    }
}
