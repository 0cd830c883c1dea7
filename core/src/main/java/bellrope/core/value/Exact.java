package bellrope.core.value;

/**
 * Elementary functions that come to the same last bit in every engine: only + − × ÷ √ and bits of doubles. What they
 * return is what {@link StrictMath} returns, which in a browser is left to the browser; so are roundings.
 *
 * <p>After fdlibm 5.3: Copyright © 1993–2004 by Sun Microsystems, Inc. All rights reserved. Developed at SunSoft, a Sun
 * Microsystems, Inc. business. Permission to use, copy, modify, and distribute this software is freely granted, provided that
 * this notice is preserved.
 */
public final class Exact {
    private static final double TWO54 = 0x1p54;
    private static final double LN2_HI = 6.93147180369123816490e-01;
    private static final double LN2_LO = 1.90821492927058770002e-10;
    private static final double LOG2_E = 1.44269504088896338700e+00;
    private static final double HALF_PI = 1.57079632679489655800e+00;
    private static final double PI_LO = 1.2246467991473531772E-16;
    /** Beyond this an angle has lost its meaning, and is left to the engine. */
    private static final double FAR = 0x1p19 * HALF_PI;

    private static final double[] ATAN_HI = {
        4.63647609000806093515e-01, 7.85398163397448278999e-01, 9.82793723247329054082e-01, HALF_PI
    };
    private static final double[] ATAN_LO = {
        2.26987774529616870924e-17, 3.06161699786838301793e-17, 1.39033110312309984516e-17, 6.12323399573676603587e-17
    };

    private Exact() {}

    private static int high(double x) {
        return (int) (Double.doubleToRawLongBits(x) >> 32);
    }

    private static int low(double x) {
        return (int) Double.doubleToRawLongBits(x);
    }

    private static double high(double x, int high) {
        return Double.longBitsToDouble(Double.doubleToRawLongBits(x) & 0xFFFFFFFFL | (long) high << 32);
    }

    /** Returns a number with its lower half cleared. */
    private static double head(double x) {
        return Double.longBitsToDouble(Double.doubleToRawLongBits(x) & 0xFFFFFFFF00000000L);
    }

    // x · 2ⁿ where the result is normal; n may be beyond one exponent.
    private static double scaled(double x, int n) {
        if (n >= -1021) {
            return n == 1024 ? x * 2 * 0x1p1023 : high(x, high(x) + (n << 20));
        }
        return high(x, high(x) + (n + 1000 << 20)) * 0x1p-1000;
    }

    /** Returns eˣ. */
    public static double exp(double x) {
        if (x != x || x == Double.POSITIVE_INFINITY) {
            return x;
        }
        if (x > 7.09782712893383973096e+02) {
            return Double.POSITIVE_INFINITY;
        }
        if (x < -7.45133219101941108420e+02) {
            return 0;
        }
        int size = high(x) & 0x7FFFFFFF;
        double hi = 0;
        double lo = 0;
        int k = 0;
        double r = x;
        if (size > 0x3FD62E42) {
            if (size < 0x3FF0A2B2) {
                hi = x - (x < 0 ? -LN2_HI : LN2_HI);
                lo = x < 0 ? -LN2_LO : LN2_LO;
                k = x < 0 ? -1 : 1;
            } else {
                k = (int) (LOG2_E * x + (x < 0 ? -0.5 : 0.5));
                hi = x - k * LN2_HI;
                lo = k * LN2_LO;
            }
            r = hi - lo;
        } else if (size < 0x3E300000) {
            return 1 + x;
        }
        double t = r * r;
        double c = r
                - t
                        * (1.66666666666666019037e-01
                                + t
                                        * (-2.77777777770155933842e-03
                                                + t
                                                        * (6.61375632143793436117e-05
                                                                + t
                                                                        * (-1.65339022054652515390e-06
                                                                                + t * 4.13813679705723846039e-08))));
        if (k == 0) {
            return 1 - (r * c / (c - 2.0) - r);
        }
        return scaled(1 - (lo - r * c / (2.0 - c) - hi), k);
    }

    /** Returns eˣ − 1, exact for small x too. */
    public static double expm1(double x) {
        int sign = high(x) & 0x80000000;
        int size = high(x) & 0x7FFFFFFF;
        if (x != x) {
            return x;
        }
        if (size >= 0x4043687A) {
            if (x > 7.09782712893383973096e+02) {
                return Double.POSITIVE_INFINITY;
            }
            if (sign != 0) {
                return -1;
            }
        }
        double c = 0;
        int k = 0;
        if (size > 0x3FD62E42) {
            double hi;
            double lo;
            if (size < 0x3FF0A2B2) {
                hi = sign == 0 ? x - LN2_HI : x + LN2_HI;
                lo = sign == 0 ? LN2_LO : -LN2_LO;
                k = sign == 0 ? 1 : -1;
            } else {
                k = (int) (LOG2_E * x + (sign == 0 ? 0.5 : -0.5));
                hi = x - k * LN2_HI;
                lo = k * LN2_LO;
            }
            x = hi - lo;
            c = hi - x - lo;
        } else if (size < 0x3C900000) {
            return x;
        }
        double half = 0.5 * x;
        double hxs = x * half;
        double r1 = 1
                + hxs
                        * (-3.33333333333331316428e-02
                                + hxs
                                        * (1.58730158725481460165e-03
                                                + hxs
                                                        * (-7.93650757867487942473e-05
                                                                + hxs
                                                                        * (4.00821782732936239552e-06
                                                                                + hxs * -2.01099218183624371326e-07))));
        double t = 3 - r1 * half;
        double e = hxs * ((r1 - t) / (6 - x * t));
        if (k == 0) {
            return x - (x * e - hxs);
        }
        e = x * (e - c) - c;
        e -= hxs;
        if (k == -1) {
            return 0.5 * (x - e) - 0.5;
        }
        if (k == 1) {
            return x < -0.25 ? -2.0 * (e - (x + 0.5)) : 1 + 2.0 * (x - e);
        }
        if (k <= -2 || k > 56) {
            return scaled(1 - (e - x), k) - 1;
        }
        double power = Double.longBitsToDouble((long) (0x3FF - k) << 52);
        double y = k < 20 ? 1 - power - (e - x) : x - (e + power) + 1;
        return scaled(y, k);
    }

    /** Returns the natural logarithm. */
    public static double log(double x) {
        int hx = high(x);
        int k = 0;
        if (hx < 0x00100000) {
            if ((hx & 0x7FFFFFFF | low(x)) == 0) {
                return Double.NEGATIVE_INFINITY;
            }
            if (hx < 0) {
                return Double.NaN;
            }
            k -= 54;
            x *= TWO54;
            hx = high(x);
        }
        if (hx >= 0x7FF00000) {
            return x;
        }
        k += (hx >> 20) - 1023;
        hx &= 0x000FFFFF;
        int i = hx + 0x95F64 & 0x100000;
        x = high(x, hx | i ^ 0x3FF00000);
        k += i >> 20;
        double f = x - 1;
        if ((0x000FFFFF & 2 + hx) < 3) {
            if (f == 0) {
                return k == 0 ? 0 : k * LN2_HI + k * LN2_LO;
            }
            double r = f * f * (0.5 - 0.33333333333333333 * f);
            return k == 0 ? f - r : k * LN2_HI - (r - k * LN2_LO - f);
        }
        double s = f / (2 + f);
        double z = s * s;
        int j = hx - 0x6147A | 0x6B851 - hx;
        double w = z * z;
        double t1 = w * (3.999999999940941908e-01 + w * (2.222219843214978396e-01 + w * 1.531383769920937332e-01));
        double t2 = z
                * (6.666666666666735130e-01
                        + w
                                * (2.857142874366239149e-01
                                        + w * (1.818357216161805012e-01 + w * 1.479819860511658591e-01)));
        double r = t2 + t1;
        if (j > 0) {
            double hfsq = 0.5 * f * f;
            return k == 0
                    ? f - (hfsq - s * (f + hfsq == f + hfsq ? hfsq + r : r))
                    : k * LN2_HI - (hfsq - (s * (hfsq + r) + k * LN2_LO) - f);
        }
        return k == 0 ? f - s * (f - r) : k * LN2_HI - (s * (f - r) - k * LN2_LO - f);
    }

    private static double sine(double x, double tail, boolean tailed) {
        if ((high(x) & 0x7FFFFFFF) < 0x3E400000) {
            return x;
        }
        double z = x * x;
        double v = z * x;
        double r = 8.33333333332248946124e-03
                + z
                        * (-1.98412698298579493134e-04
                                + z
                                        * (2.75573137070700676789e-06
                                                + z * (-2.50507602534068634195e-08 + z * 1.58969099521155010221e-10)));
        return tailed
                ? x - (z * (0.5 * tail - v * r) - tail - v * -1.66666666666666324348e-01)
                : x + v * (-1.66666666666666324348e-01 + z * r);
    }

    private static double cosine(double x, double tail) {
        int size = high(x) & 0x7FFFFFFF;
        if (size < 0x3E400000) {
            return 1;
        }
        double z = x * x;
        double r = z
                * (4.16666666666666019037e-02
                        + z
                                * (-1.38888888888741095749e-03
                                        + z
                                                * (2.48015872894767294178e-05
                                                        + z
                                                                * (-2.75573143513906633035e-07
                                                                        + z
                                                                                * (2.08757232129817482790e-09
                                                                                        + z
                                                                                                * -1.13596475577881948265e-11)))));
        if (size < 0x3FD33333) {
            return 1 - (0.5 * z - (z * r - x * tail));
        }
        double q = size > 0x3FE90000 ? 0.28125 : Double.longBitsToDouble((long) (size - 0x00200000) << 32);
        double hz = 0.5 * z - q;
        return 1 - q - (hz - (z * r - x * tail));
    }

    /** Returns the sine of an angle in radians. */
    public static double sin(double x) {
        return turned(x, 0);
    }

    /** Returns the cosine of an angle in radians. */
    public static double cos(double x) {
        return turned(x, 1);
    }

    // The sine of x and so many quarters of a turn.
    private static double turned(double x, int quarters) {
        int size = high(x) & 0x7FFFFFFF;
        if (size <= 0x3FE921FB) {
            return quarters == 0 ? sine(x, 0, false) : cosine(x, 0);
        }
        if (!(Math.abs(x) < FAR)) {
            return quarters == 0 ? StrictMath.sin(x) : StrictMath.cos(x);
        }
        int n;
        double rest;
        double tail;
        if (size < 0x4002D97C) {
            // Less than 3/4 π: one quarter.
            double sign = x > 0 ? 1 : -1;
            double z = x - sign * 1.57079632673412561417e+00;
            double part = 6.07710050650619224932e-11;
            if (size == 0x3FF921FB) {
                z -= sign * 6.07710050630396597660e-11;
                part = 2.02226624879595063154e-21;
            }
            rest = z - sign * part;
            tail = z - rest - sign * part;
            n = x > 0 ? 1 : -1;
        } else {
            double t = Math.abs(x);
            n = (int) (t * 6.36619772367581382433e-01 + 0.5);
            double r = t - n * 1.57079632673412561417e+00;
            double w = n * 6.07710050650619224932e-11;
            rest = r - w;
            int from = size >> 20;
            if (from - (high(rest) >> 20 & 0x7FF) > 16) {
                double before = r;
                w = n * 6.07710050630396597660e-11;
                r = before - w;
                w = n * 2.02226624879595063154e-21 - (before - r - w);
                rest = r - w;
                if (from - (high(rest) >> 20 & 0x7FF) > 49) {
                    before = r;
                    w = n * 2.02226624871116645580e-21;
                    r = before - w;
                    w = n * 8.47842766036889956997e-32 - (before - r - w);
                    rest = r - w;
                }
            }
            tail = r - rest - w;
            if (x < 0) {
                rest = -rest;
                tail = -tail;
                n = -n;
            }
        }
        return switch (n + quarters & 3) {
            case 0 -> sine(rest, tail, true);
            case 1 -> cosine(rest, tail);
            case 2 -> -sine(rest, tail, true);
            default -> -cosine(rest, tail);
        };
    }

    private static double atan(double x) {
        int hx = high(x);
        int size = hx & 0x7FFFFFFF;
        if (size >= 0x44100000) {
            return x != x ? x : hx > 0 ? HALF_PI + ATAN_LO[3] : -HALF_PI - ATAN_LO[3];
        }
        int id = -1;
        if (size < 0x3FDC0000) {
            if (size < 0x3E200000) {
                return x;
            }
        } else {
            x = Math.abs(x);
            if (size < 0x3FF30000) {
                if (size < 0x3FE60000) {
                    id = 0;
                    x = (2.0 * x - 1) / (2.0 + x);
                } else {
                    id = 1;
                    x = (x - 1) / (x + 1);
                }
            } else if (size < 0x40038000) {
                id = 2;
                x = (x - 1.5) / (1 + 1.5 * x);
            } else {
                id = 3;
                x = -1.0 / x;
            }
        }
        double z = x * x;
        double w = z * z;
        double s1 = z
                * (3.33333333333329318027e-01
                        + w
                                * (1.42857142725034663711e-01
                                        + w
                                                * (9.09088713343650656196e-02
                                                        + w
                                                                * (6.66107313738753120669e-02
                                                                        + w
                                                                                * (4.97687799461593236017e-02
                                                                                        + w
                                                                                                * 1.62858201153657823623e-02)))));
        double s2 = w
                * (-1.99999999998764832476e-01
                        + w
                                * (-1.11111104054623557880e-01
                                        + w
                                                * (-7.69187620504482999495e-02
                                                        + w
                                                                * (-5.83357013379057348645e-02
                                                                        + w * -3.65315727442169155270e-02))));
        if (id < 0) {
            return x - x * (s1 + s2);
        }
        double r = ATAN_HI[id] - (x * (s1 + s2) - ATAN_LO[id] - x);
        return hx < 0 ? -r : r;
    }

    /** Returns the angle of a direction in radians, from −π to π. */
    public static double atan2(double y, double x) {
        if (x != x || y != y) {
            return x + y;
        }
        int hx = high(x);
        int hy = high(y);
        if (hx == 0x3FF00000 && low(x) == 0) {
            return atan(y);
        }
        boolean left = hx < 0;
        boolean below = hy < 0;
        if (y == 0) {
            return left ? (below ? -Math.PI : Math.PI) : y;
        }
        if (x == 0) {
            return below ? -HALF_PI : HALF_PI;
        }
        if (Double.isInfinite(x)) {
            double angle = Double.isInfinite(y) ? (left ? 3.0 * (Math.PI / 4) : Math.PI / 4) : left ? Math.PI : 0;
            return below ? -angle : angle;
        }
        if (Double.isInfinite(y)) {
            return below ? -HALF_PI : HALF_PI;
        }
        int k = (hy & 0x7FFFFFFF) - (hx & 0x7FFFFFFF) >> 20;
        double z = k > 60 ? HALF_PI + 0.5 * PI_LO : left && k < -60 ? 0 : atan(Math.abs(y / x));
        if (!left) {
            return below ? -z : z;
        }
        return below ? z - PI_LO - Math.PI : Math.PI - (z - PI_LO);
    }

    /** Returns the cube root. */
    public static double cbrt(double x) {
        int hx = high(x);
        int sign = hx & 0x80000000;
        hx ^= sign;
        if (hx >= 0x7FF00000 || (hx | low(x)) == 0) {
            return x;
        }
        x = high(x, hx);
        double t;
        if (hx < 0x00100000) {
            t = TWO54 * x;
            t = high(t, high(t) / 3 + 696219795);
        } else {
            t = high(0, hx / 3 + 715094163);
        }
        double r = t * t / x;
        double s = 5.42857142857142815906e-01 + r * t;
        t *= 3.57142857142857150787e-01
                + 1.60714285714285720630e+00 / (s + 1.41428571428571436819e+00 + -7.05306122448979611050e-01 / s);
        t = Double.longBitsToDouble((long) (high(t) + 1) << 32);
        s = t * t;
        r = x / s;
        double w = t + t;
        r = (r - t) / (w + r);
        t = t + t * r;
        return high(t, high(t) | sign);
    }

    /** Returns the nearest whole number, the even one of two. */
    public static double rint(double x) {
        double size = Math.abs(x);
        // From here on a double has no fraction; adding it takes the fraction off, rounding as all arithmetic does.
        if (!(size < 0x1p52)) {
            return x;
        }
        return Math.copySign(size + 0x1p52 - 0x1p52, x);
    }

    /** Returns the nearest whole number, the greater one of two. */
    public static long round(double x) {
        double floor = Math.floor(x);
        return (long) (x - floor >= 0.5 ? floor + 1 : floor);
    }

    /** Returns an angle in radians. */
    public static double radians(double degrees) {
        return degrees * 0.017453292519943295;
    }

    /** Returns an angle in degrees. */
    public static double degrees(double radians) {
        return radians * 57.29577951308232;
    }

    /** Returns xʸ. */
    public static double pow(double x, double y) {
        if (y == 0) {
            return 1;
        }
        if (x != x || y != y) {
            return x + y;
        }
        double size = Math.abs(x);
        if (y == 1) {
            return x;
        }
        if (y == -1) {
            return 1 / x;
        }
        if (y == 2) {
            return x * x;
        }
        if (y == 0.5 && x >= -Double.MAX_VALUE) {
            return Math.sqrt(x + 0.0);
        }
        double far = Math.abs(y);
        // 1 where y is odd, 2 where it is even, 0 where it is no whole number.
        int whole = far >= 0x1p53 ? 2 : far == Math.rint(far) ? (far % 2 == 0 ? 2 : 1) : 0;
        if (far == Double.POSITIVE_INFINITY) {
            return size == 1 ? Double.NaN : (size > 1) == (y > 0) ? Double.POSITIVE_INFINITY : 0;
        }
        if (size == 0 || size == Double.POSITIVE_INFINITY || size == 1) {
            double z = y < 0 ? 1 / size : size;
            if (x < 0 || x == 0 && 1 / x < 0) {
                if (size == 1 && whole == 0) {
                    return Double.NaN;
                }
                return whole == 1 ? -z : z;
            }
            return z;
        }
        if (x < 0 && whole == 0) {
            return Double.NaN;
        }
        double sign = x < 0 && whole == 1 ? -1 : 1;
        // log2(x) in two parts.
        double t1;
        double t2;
        if (far > 0x1.00000ffffffffp31) {
            if (size < 0x1.fffff00000000p-1) {
                return y < 0 ? sign * Double.POSITIVE_INFINITY : sign * 0;
            }
            if (size > 0x1.00000ffffffffp0) {
                return y > 0 ? sign * Double.POSITIVE_INFINITY : sign * 0;
            }
            double t = size - 1;
            double w = t * t * (0.5 - t * (0.3333333333333333333333 - t * 0.25));
            double u = 1.44269502162933349609e+00 * t;
            double v = t * 1.92596299112661746887e-08 - w * LOG2_E;
            t1 = head(u + v);
            t2 = v - (t1 - u);
        } else {
            int n = 0;
            if (size < Double.MIN_NORMAL) {
                size *= 0x1p53;
                n -= 53;
            }
            int hx = high(size);
            n += (hx >> 20) - 0x3FF;
            int j = hx & 0x000FFFFF;
            hx = j | 0x3FF00000;
            int k;
            if (j <= 0x3988E) {
                k = 0;
            } else if (j < 0xBB67A) {
                k = 1;
            } else {
                k = 0;
                n++;
                hx -= 0x00100000;
            }
            size = high(size, hx);
            double base = k == 0 ? 1.0 : 1.5;
            double u = size - base;
            double v = 1 / (size + base);
            double ss = u * v;
            double sh = head(ss);
            double th = high(0, (hx >> 1 | 0x20000000) + 0x00080000 + (k << 18));
            double tl = size - (th - base);
            double sl = v * (u - sh * th - sh * tl);
            double s2 = ss * ss;
            double r = s2
                    * s2
                    * (5.99999999999994648725e-01
                            + s2
                                    * (4.28571428578550184252e-01
                                            + s2
                                                    * (3.33333329818377432918e-01
                                                            + s2
                                                                    * (2.72728123808534006489e-01
                                                                            + s2
                                                                                    * (2.30660745775561754067e-01
                                                                                            + s2
                                                                                                    * 2.06975017800338417784e-01)))));
            r += sl * (sh + ss);
            s2 = sh * sh;
            th = head(3 + s2 + r);
            tl = r - (th - 3 - s2);
            u = sh * th;
            v = sl * th + tl * ss;
            double ph = head(u + v);
            double pl = v - (ph - u);
            double zh = 9.61796700954437255859e-01 * ph;
            double zl = -7.02846165095275826516e-09 * ph
                    + pl * 9.61796693925975554329e-01
                    + (k == 0 ? 0 : 1.35003920212974897128e-08);
            double dh = k == 0 ? 0 : 5.84962487220764160156e-01;
            t1 = head(zh + zl + dh + n);
            t2 = zl - (t1 - n - dh - zh);
        }
        double y1 = head(y);
        double pl = (y - y1) * t1 + y * t2;
        double ph = y1 * t1;
        double z = pl + ph;
        int j = high(z);
        int i = low(z);
        if (j >= 0x40900000) {
            if ((j - 0x40900000 | i) != 0 || pl + 8.0085662595372944372e-0017 > z - ph) {
                return sign * Double.POSITIVE_INFINITY;
            }
        } else if ((j & 0x7FFFFFFF) >= 0x4090CC00) {
            if ((j - 0xC090CC00 | i) != 0 || pl <= z - ph) {
                return sign * 0;
            }
        }
        i = j & 0x7FFFFFFF;
        int k = (i >> 20) - 0x3FF;
        int n = 0;
        if (i > 0x3FE00000) {
            n = j + (0x00100000 >> k + 1);
            k = ((n & 0x7FFFFFFF) >> 20) - 0x3FF;
            double t = high(0, n & ~(0x000FFFFF >> k));
            n = (n & 0x000FFFFF | 0x00100000) >> 20 - k;
            n = j < 0 ? -n : n;
            ph -= t;
        }
        double t = head(pl + ph);
        double u = t * 6.93147182464599609375e-01;
        double v = (pl - (t - ph)) * 6.93147180559945286227e-01 + t * -1.90465429995776804525e-09;
        z = u + v;
        double w = v - (z - u);
        t = z * z;
        double c = z
                - t
                        * (1.66666666666666019037e-01
                                + t
                                        * (-2.77777777770155933842e-03
                                                + t
                                                        * (6.61375632143793436117e-05
                                                                + t
                                                                        * (-1.65339022054652515390e-06
                                                                                + t * 4.13813679705723846039e-08))));
        double r = z * c / (c - 2) - (w + z * w);
        z = 1 - (r - z);
        j = high(z) + (n << 20);
        z = j >> 20 > 0 ? high(z, j) : j >> 20 <= -54 ? 0 : high(z, j + (54 << 20)) * 0x1p-54;
        return sign * z;
    }
}
