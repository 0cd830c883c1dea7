package bellrope.core.check.wiring;

import bellrope.core.check.Finding.Severity;
import bellrope.core.event.EventType;
import bellrope.core.rope.FollowUp;
import bellrope.core.rope.Rope;
import bellrope.core.rope.Sentence.Slot;

/** Events that nothing answers, and ropes with a gap in their sentence. */
final class Unanswered {
    private Unanswered() {}

    // A rope that neither plays nor brings anything answers nothing, whatever it is called.
    private static boolean answers(Rope rope) {
        boolean follows = rope.followUps().stream()
                .anyMatch(f -> f.play().isPresent()
                        || f.announce().isPresent()
                        || f.notice().isPresent());
        return !rope.note().off()
                && (rope.play().isPresent()
                        || rope.run().start().isPresent()
                        || rope.run().end().isPresent()
                        || !rope.companions().isEmpty()
                        || follows);
    }

    static void look(Wiring w) {
        for (EventType event : w.project().events()) {
            boolean answered = w.ropesOf(event.name()).stream().anyMatch(Unanswered::answers);
            if (!answered && event.unanswered().isEmpty()) {
                w.event(
                        "unanswered event",
                        Severity.DOUBTFUL,
                        event,
                        "nothing answers " + event.name() + ": wire it, or say that no answer is wanted and why");
            }
        }
        w.each((rope, event) -> {
            boolean bare = !rope.companions().isEmpty() || !rope.followUps().isEmpty();
            if (rope.play().isEmpty() && !bare) {
                w.rope("gap", Severity.WRONG, rope, Slot.GAP, "no effect is chosen, so nothing will be seen");
            }
            if (event.shape() == EventType.Shape.STATE && rope.when().value().isEmpty()) {
                w.rope("gap", Severity.WRONG, rope, Slot.GAP, "no value of " + event.name() + " is chosen");
            }
            for (FollowUp follow : rope.followUps()) {
                if (follow.play().isEmpty() && follow.announce().isEmpty()) {
                    w.rope("gap", Severity.WRONG, rope, Slot.GAP, "what follows is not chosen");
                }
            }
        });
    }
}
