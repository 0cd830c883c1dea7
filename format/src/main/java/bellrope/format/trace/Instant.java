package bellrope.format.trace;

import java.util.OptionalLong;

/** Times as in RFC 3339, section 5.6, without a library: the same reader runs in a page. */
final class Instant {
    private static final int[] DAYS = {31, 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31};
    private static final long BILLION = 1_000_000_000L;

    private final String text;
    private int at;

    private Instant(String text) {
        this.text = text;
    }

    /** Returns the nanoseconds since the beginning of 1970; empty where it is no such time, or its year not 1700 to 2200. */
    static OptionalLong nanos(String text) {
        Instant reader = new Instant(text);
        long nanos = reader.read();
        return nanos == Long.MIN_VALUE ? OptionalLong.empty() : OptionalLong.of(nanos);
    }

    private long read() {
        int year = digits(4);
        boolean sound = is('-');
        int month = digits(2);
        sound &= is('-');
        int day = digits(2);
        sound &= is('T') || is('t') || is(' ');
        int hour = digits(2);
        sound &= is(':');
        int minute = digits(2);
        sound &= is(':');
        int second = digits(2);
        long fraction = is('.') ? fraction() : 0;
        int offset = offset();
        boolean date =
                year >= 1700 && year <= 2200 && month >= 1 && month <= 12 && day >= 1 && day <= days(year, month);
        // A leap second counts as the first of the next minute.
        boolean time = hour >= 0 && hour < 24 && minute >= 0 && minute < 60 && second >= 0 && second <= 60;
        if (!sound || !date || !time || fraction < 0 || offset == Integer.MIN_VALUE || at != text.length()) {
            return Long.MIN_VALUE;
        }
        long seconds = ((sinceEpoch(year, month, day) * 24 + hour) * 60 + minute - offset) * 60 + second;
        return seconds * BILLION + fraction;
    }

    private static int days(int year, int month) {
        boolean leap = year % 4 == 0 && (year % 100 != 0 || year % 400 == 0);
        return month == 2 && leap ? 29 : DAYS[month - 1];
    }

    // Days since 1970-01-01.
    private static long sinceEpoch(int year, int month, int day) {
        int before = year - 1;
        long days = 365L * before + before / 4 - before / 100 + before / 400;
        for (int m = 1; m < month; m++) {
            days += days(year, m);
        }
        return days + day - 1 - 719_162;
    }

    private boolean is(char wanted) {
        boolean there = at < text.length() && text.charAt(at) == wanted;
        at += there ? 1 : 0;
        return there;
    }

    // −1 where there are not so many.
    private int digits(int count) {
        int value = 0;
        for (int i = 0; i < count; i++) {
            char c = at < text.length() ? text.charAt(at) : ' ';
            if (c < '0' || c > '9') {
                return -1;
            }
            value = value * 10 + c - '0';
            at++;
        }
        return value;
    }

    // Nanoseconds; further digits are passed over.
    private long fraction() {
        long value = 0;
        int count = 0;
        for (; at < text.length() && text.charAt(at) >= '0' && text.charAt(at) <= '9'; at++, count++) {
            value = count < 9 ? value * 10 + text.charAt(at) - '0' : value;
        }
        for (int i = count; i < 9; i++) {
            value *= 10;
        }
        return count == 0 ? -1 : value;
    }

    // Minutes.
    private int offset() {
        if (is('Z') || is('z')) {
            return 0;
        }
        int sign = is('+') ? 1 : is('-') ? -1 : 0;
        int hours = digits(2);
        boolean colon = is(':');
        int minutes = digits(2);
        boolean sound = sign != 0 && colon && hours >= 0 && hours < 24 && minutes >= 0 && minutes < 60;
        return sound ? sign * (hours * 60 + minutes) : Integer.MIN_VALUE;
    }
}
