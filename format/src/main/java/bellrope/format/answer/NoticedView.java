package bellrope.format.answer;

import org.jspecify.annotations.Nullable;

/**
 * What the checks of wiring noticed.
 *
 * @param severity wrong or doubtful
 * @param rope part of the rope it is about; null where it is about an event
 * @param slot of the rope's sentence
 * @param remedy a change that mends it; null if there is none
 */
public record NoticedView(
        String check,
        String severity,
        @Nullable Long rope,
        String event,
        String slot,
        String words,
        @Nullable RemedyView remedy) {}
