package bellrope.format.answer;

import bellrope.core.event.EventType;
import bellrope.core.event.Pull;
import bellrope.core.event.Strength;
import bellrope.core.measure.Numbers;
import bellrope.core.project.Project;
import bellrope.core.rope.Fitting;
import bellrope.core.rope.Rope;
import bellrope.core.rope.Trial;
import bellrope.core.stage.Take;
import bellrope.core.stage.Viewing;
import bellrope.core.value.Datum;
import bellrope.core.value.Problem;
import bellrope.format.json.PayloadJson;
import bellrope.format.report.AccountReport;
import bellrope.format.report.NumbersReport;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.jspecify.annotations.Nullable;

/** Takes to be watched. */
public final class Takes {
    /** Seconds for which what lasts is held, if nobody says otherwise. */
    private static final double USUALLY_HELD = 1.5;

    private Takes() {}

    /** Plays a pull as it is wished for. */
    public static Answer<TakeHead> of(Whole whole, TakeWish wish) {
        Optional<Rope> rope = wish.rope() == null ? Optional.empty() : Optional.of(whole.rope(wish.rope()));
        Project played = rope.map(r -> whole.project().withRopes(List.of(r))).orElse(whole.project());
        Trial trial = trial(played, rope, wish);
        Take.Length length = length(trial.pull(), wish.held());
        Take take = Take.of(played, trial, length, false);
        if (!take.account().refused().isEmpty()) {
            throw new Wrong(take.account().refused().stream()
                    .map(p -> new Problem("/payload" + p.place(), p.given(), p.allowed()))
                    .toList());
        }
        TakeHead head = new TakeHead(
                take.pace().stepsPerSecond(),
                AccountReport.of(take.account(), take.pace()),
                NumbersReport.of(Numbers.of(take)),
                Answer.live(take),
                Answer.presence(take),
                take.ended(),
                PayloadJson.write(trial.pull().payload()));
        return new Answer<>(head, take, new Viewing(played, trial, length));
    }

    private static Trial trial(Project project, Optional<Rope> rope, TakeWish wish) {
        String name = wish.event() != null
                ? wish.event()
                : rope.map(Rope::event)
                        .orElseThrow(() -> new Wrong("/event", "missing", "the name of an event, or a rope"));
        EventType event = project.event(name)
                .orElseThrow(() -> new Wrong("/event", '"' + name + '"', "the name of a known event"));
        Trial usual = rope.map(r -> Fitting.trial(r, event, project.channels(), Strength.USUAL, wish.seed()))
                .orElseGet(() -> Trial.of(usual(event, wish.seed())));
        Pull pull = usual.pull();
        if (wish.payload() != null && !wish.payload().isNull()) {
            pull = pull.with(Previews.payload(wish.payload()));
        }
        if (wish.value() != null) {
            pull = Pull.set(name, wish.value(), pull.payload(), pull.seed()).tagged(pull.tags());
        }
        Map<String, Double> channels = new HashMap<>(usual.channels());
        if (wish.channels() != null) {
            channels.putAll(wish.channels());
        }
        return new Trial(pull, channels, usual.since());
    }

    private static Pull usual(EventType event, long seed) {
        Map<String, Datum> payload = Strength.USUAL.payload(event);
        return switch (event.shape()) {
            case MOMENT -> new Pull(event.name(), payload, seed);
            case SPAN -> Pull.begin(event.name(), payload, seed);
            case STATE -> Pull.set(event.name(), event.values().get(0), payload, seed);
        };
    }

    /** Returns how long to play: what lasts is held for a while, so that its end is seen too. */
    static Take.Length length(Pull pull, @Nullable Double held) {
        boolean lasts = pull.phase() != Pull.Phase.MOMENT;
        double seconds = held == null ? USUALLY_HELD : Math.min(Take.LONGEST, Math.max(0, held));
        return new Take.Length(Take.LONGEST, lasts ? OptionalDouble.of(seconds) : OptionalDouble.empty());
    }
}
