package bellrope.format.trace;

import java.util.ArrayList;
import java.util.List;

/**
 * Reads CSV as in RFC 4180, piece by piece: fields between commas, in quotes where they hold commas, quotes (doubled) or
 * line breaks. Lines end with CRLF, LF or CR.
 */
final class CsvRecords {
    /** Longest record, in characters; what is longer is given up. */
    static final int LONGEST = 1 << 20;

    /**
     * A record.
     *
     * @param line on which it begins, from 1
     * @param fields none where it could not be read
     * @param wrong why it could not be read; empty where it could
     */
    record Row(int line, List<String> fields, String wrong) {}

    private enum Where {
        BEFORE,
        PLAIN,
        QUOTED,
        /** After a quote inside quotes: the end of them, or the first of two. */
        QUOTE
    }

    private List<String> fields = new ArrayList<>();
    private final StringBuilder field = new StringBuilder();
    private Where where = Where.BEFORE;
    private String wrong = "";
    private int length;
    private int line = 1;
    private int begun = 1;
    private boolean returned;

    /** Takes some more text and returns the records that are whole now; empty lines are passed over. */
    List<Row> take(CharSequence text) {
        List<Row> rows = new ArrayList<>();
        for (int i = 0; i < text.length(); i++) {
            char c = text.charAt(i);
            boolean second = returned && c == '\n';
            returned = c == '\r';
            if (second) {
                if (where == Where.QUOTED) {
                    append(c);
                }
                continue;
            }
            if (where == Where.QUOTED) {
                if (c == '"') {
                    where = Where.QUOTE;
                } else {
                    append(c);
                }
                line += c == '\n' || c == '\r' ? 1 : 0;
            } else if (c == '\n' || c == '\r') {
                line++;
                end(rows);
            } else {
                outside(c);
            }
        }
        return rows;
    }

    /** Returns the last record, which need not end with a line break. */
    List<Row> end() {
        List<Row> rows = new ArrayList<>();
        if (where == Where.QUOTED) {
            wrong = "a quote that does not end";
        }
        end(rows);
        return rows;
    }

    private void outside(char c) {
        if (c == ',') {
            if (++length <= LONGEST) {
                fields.add(field.toString());
            }
            field.setLength(0);
            where = Where.BEFORE;
        } else if (c == '"' && where == Where.BEFORE) {
            where = Where.QUOTED;
        } else if (c == '"' && where == Where.QUOTE) {
            append(c);
            where = Where.QUOTED;
        } else {
            if (where == Where.QUOTE || c == '"') {
                wrong = "a quote amid a field";
            }
            append(c);
            where = Where.PLAIN;
        }
    }

    private void append(char c) {
        if (++length > LONGEST) {
            wrong = "longer than " + LONGEST + " characters";
        } else {
            field.append(c);
        }
    }

    private void end(List<Row> rows) {
        boolean nothing = fields.isEmpty() && field.length() == 0 && where == Where.BEFORE;
        if (!nothing) {
            fields.add(field.toString());
            rows.add(new Row(begun, wrong.isEmpty() ? fields : List.of(), wrong));
        }
        fields = new ArrayList<>();
        field.setLength(0);
        where = Where.BEFORE;
        wrong = "";
        length = 0;
        begun = line;
    }
}
