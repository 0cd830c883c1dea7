package bellrope.core.sim;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.hipparchus.ode.ODEState;
import org.hipparchus.ode.OrdinaryDifferentialEquation;
import org.hipparchus.ode.nonstiff.DormandPrince853Integrator;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class FlightTest {
    // Textbook kinematics: x = v₀t + ½at².
    @Test
    void withoutDragIsTheTextbookFlight() {
        assertThat(Flight.carriedBySpeed(0, 2)).isEqualTo(2);
        assertThat(Flight.carriedByAcceleration(0, 2)).isEqualTo(2);
        // Common practice: 1 u/s and 10 u/s² for 2 s get to 22 u.
        assertThat(1 * Flight.carriedBySpeed(0, 2) + 10 * Flight.carriedByAcceleration(0, 2))
                .isEqualTo(22);
    }

    // Textbook: range on the level is v²·sin 2θ / g.
    @Test
    void comesDownAtTheTextbookRange() {
        double v = 9;
        double theta = Math.toRadians(35);
        double g = 9.8;
        double airborne = 2 * v * Math.sin(theta) / g;
        double range = v * Math.cos(theta) * Flight.carriedBySpeed(0, airborne);
        assertThat(range).isCloseTo(v * v * Math.sin(2 * theta) / g, within(1e-12));
    }

    // Against Hipparchus' Dormand–Prince 8(5,3), an independent integrator of v' = a − kv.
    @ParameterizedTest
    @CsvSource({"0.001,3", "0.01,0.5", "0.6,1.3", "2,4", "40,0.7", "100,10"})
    void withDragAgreesWithAnIndependentIntegrator(double drag, double seconds) {
        double speed = 4;
        double pull = -9.8;
        OrdinaryDifferentialEquation equation = new OrdinaryDifferentialEquation() {
            @Override
            public int getDimension() {
                return 2;
            }

            @Override
            public double[] computeDerivatives(double t, double[] y) {
                return new double[] {y[1], pull - drag * y[1]};
            }
        };
        double[] end = new DormandPrince853Integrator(1e-12, 0.1, 1e-13, 1e-13)
                .integrate(equation, new ODEState(0, new double[] {0, speed}), seconds)
                .getPrimaryState();
        double x = speed * Flight.carriedBySpeed(drag, seconds) + pull * Flight.carriedByAcceleration(drag, seconds);
        assertThat(x).isCloseTo(end[0], within(1e-9));
    }

    @Test
    void theSeriesMeetsTheFormulaWhereItTakesOver() {
        double below = Flight.carriedByAcceleration(0.00999999, 1);
        double above = Flight.carriedByAcceleration(0.01000001, 1);
        assertThat(below - above).isCloseTo((1 / 6.0 - 0.01 / 12) * 2e-8, within(1e-12));
    }
}
