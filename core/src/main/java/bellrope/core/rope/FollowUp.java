package bellrope.core.rope;

import bellrope.core.value.Bounds;
import bellrope.core.value.Demand;
import bellrope.core.value.Refused;
import bellrope.core.value.Vec3;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * What a rope starts later, where the first effect was: an effect, or an event of the game's own.
 *
 * @param play effect to play; empty for an event, and while none is chosen
 * @param announce event that comes, with what fields of the same name carry; empty for an effect
 * @param cue what it waits for
 * @param after seconds from there
 * @param offset units from where the first effect is, in the world
 * @param inForce seconds after which it is stopped; empty to let it end by itself
 * @param fadeOut seconds in which it then dims to nothing
 * @param notice name by which the game is told that it begins, that it is no longer in force and that it is gone; empty
 *     to say nothing
 * @param values what that notice carries, at most 8; none without a notice
 * @param id by which its random draws are addressed: 1 to {@value #HIGHEST_ID}, no two of a rope the same; 0 to be given one
 */
public record FollowUp(
        Optional<String> play,
        Optional<String> announce,
        Cue cue,
        double after,
        Vec3 offset,
        OptionalDouble inForce,
        double fadeOut,
        Optional<String> notice,
        List<NoticeValue> values,
        int id) {
    public static final Bounds AFTER = Bounds.of(0, 600);
    public static final Bounds OFFSET = Bounds.around(10_000);

    public static final int HIGHEST_ID = 31;

    /** What a follow-up waits for. */
    public enum Cue {
        /** The first effect begins. */
        BEGUN,
        /** The first effect is over. */
        OVER,
        /** The span ends, or the state is left. */
        ENDED
    }

    public FollowUp {
        play.ifPresent(name -> Demand.name("play", name));
        announce.ifPresent(name -> Demand.name("announce", name));
        if (play.isPresent() && announce.isPresent()) {
            throw new Refused("announce", '"' + announce.get() + '"', "either an effect to play or an event, not both");
        }
        AFTER.check("after", after);
        OFFSET.check("offset", offset);
        Stay.demand(inForce, fadeOut, notice, values);
        values = NoticeValue.unique(values);
    }

    /** A follow-up that is given its address by the rope it is put into. */
    public FollowUp(
            Optional<String> play,
            Optional<String> announce,
            Cue cue,
            double after,
            Vec3 offset,
            OptionalDouble inForce,
            double fadeOut,
            Optional<String> notice) {
        this(play, announce, cue, after, offset, inForce, fadeOut, notice, List.of(), 0);
    }

    /** Returns how long it stays and what is told of it; empty where it ends by itself and nobody is told. */
    public Optional<Stay> stay() {
        return inForce.isEmpty() && notice.isEmpty()
                ? Optional.empty()
                : Optional.of(new Stay(inForce, fadeOut, notice, values));
    }

    FollowUp numbered(int other) {
        return new FollowUp(play, announce, cue, after, offset, inForce, fadeOut, notice, values, other);
    }

    /** Returns this follow-up with values for its notice. */
    public FollowUp carrying(List<NoticeValue> others) {
        return new FollowUp(play, announce, cue, after, offset, inForce, fadeOut, notice, others, id);
    }

    /** An effect so long after the first began. */
    public static FollowUp after(double seconds, String effect) {
        return new FollowUp(
                Optional.of(effect),
                Optional.empty(),
                Cue.BEGUN,
                seconds,
                Vec3.ZERO,
                OptionalDouble.empty(),
                0,
                Optional.empty());
    }
}
