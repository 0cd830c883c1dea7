package bellrope.format.code;

import java.text.Normalizer;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;

/**
 * Names turned into identifiers of one language: ASCII letters and digits only, no two alike in one scope, none of them
 * reserved. What has neither letter nor digit left gets its code points for a name.
 */
final class Identifiers {
    private final Set<String> reserved;
    private final Set<String> taken = new HashSet<>();

    Identifiers(Set<String> reserved) {
        this.reserved = reserved;
    }

    /** Returns the words of a name, lower case: {@code courier.landed}, {@code courierLanded} and {@code Courier landed} agree. */
    static List<String> words(String name) {
        String plain = Normalizer.normalize(name, Normalizer.Form.NFKD)
                .replaceAll("\\p{M}+", "")
                .replaceAll("(?<=[a-z0-9])(?=[A-Z])", " ");
        List<String> words = new ArrayList<>();
        for (String word : plain.split("[^A-Za-z0-9]+")) {
            if (!word.isEmpty()) {
                words.add(word.toLowerCase(Locale.ROOT));
            }
        }
        if (words.isEmpty()) {
            StringBuilder points = new StringBuilder("u");
            name.codePoints().forEach(c -> points.append(Integer.toHexString(c)));
            words.add(points.toString());
        }
        return words;
    }

    /** {@code CourierLanded}. */
    String pascal(String... names) {
        StringBuilder text = new StringBuilder();
        for (String word : all(names)) {
            text.append(Character.toUpperCase(word.charAt(0))).append(word.substring(1));
        }
        return own(text.toString());
    }

    /** {@code courierLanded}. */
    String camel(String... names) {
        StringBuilder text = new StringBuilder();
        for (String word : all(names)) {
            text.append(text.length() == 0 ? word : Character.toUpperCase(word.charAt(0)) + word.substring(1));
        }
        return own(text.toString());
    }

    /** {@code COURIER_LANDED}. */
    String upper(String... names) {
        return own(String.join("_", all(names)).toUpperCase(Locale.ROOT));
    }

    private static List<String> all(String... names) {
        List<String> words = new ArrayList<>();
        for (String name : names) {
            words.addAll(words(name));
        }
        return words;
    }

    private String own(String wanted) {
        String id = Character.isDigit(wanted.charAt(0)) ? "_" + wanted : wanted;
        if (reserved.contains(id)) {
            id = id + "_";
        }
        String free = id;
        // Case is not enough to tell two apart on every file system and in every head.
        for (int n = 2; !taken.add(free.toLowerCase(Locale.ROOT)); n++) {
            free = id + n;
        }
        return free;
    }
}
