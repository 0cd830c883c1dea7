package bellrope.server.view;

import bellrope.core.value.Problem;
import bellrope.format.json.Changes;
import bellrope.format.report.AccountReport;
import bellrope.format.report.EffectReport;
import bellrope.format.report.NumbersReport;
import java.util.List;
import java.util.Map;
import tools.jackson.databind.JsonNode;

/** The shapes of requests and answers. */
public final class Views {
    private Views() {}

    /**
     * A project in a list.
     *
     * @param change counts every change of the project
     */
    public record ProjectLine(long id, String name, long change, int events, int effects, int ropes) {}

    /**
     * One part of a project as it stands, or stood.
     *
     * @param kind settings, sprite, event, effect or rope
     * @param place order among its kind
     * @param revision counts its saves, from 1
     * @param body as in the bundle
     * @param savedAt time of that save, RFC 3339
     */
    public record PartView(
            long id,
            String kind,
            String name,
            long place,
            long revision,
            boolean deleted,
            JsonNode body,
            String savedAt) {}

    /**
     * A stretch of a rope's sentence.
     *
     * @param slot what it says: words, event, condition, effect, gap, placement, facing or feed
     * @param index which condition or feed
     */
    public record Words(String text, String slot, int index) {}

    /** A rope's sentence. */
    public record SentenceView(long rope, List<Words> parts) {}

    /**
     * Ready-made payloads of an event, as in a pull.
     *
     * @param event part of the event
     */
    public record StrengthsView(long event, JsonNode soft, JsonNode usual, JsonNode hard) {}

    /** A whole project. */
    public record ProjectView(
            long id,
            String name,
            long change,
            List<PartView> parts,
            List<SentenceView> sentences,
            List<StrengthsView> strengths) {}

    /** What a save left behind. */
    public record Saved(PartView part, long change, List<SentenceView> sentences, List<StrengthsView> strengths) {}

    /**
     * A part to be saved.
     *
     * @param basedOn revision that the change was made on
     */
    public record Save(long basedOn, JsonNode body) {}

    /** A part to be added. */
    public record Add(String kind, JsonNode body) {}

    public record NewProject(String name) {}

    /** A body that stands in for a saved part without being saved. */
    public record Draft(long part, JsonNode body) {}

    /**
     * A take to be computed.
     *
     * @param rope part of the one rope to play; null for all that listen
     * @param payload of the pull; null for the usual one that the rope answers to
     * @param seed of the pull
     */
    public record TakeRequest(Long rope, String event, JsonNode payload, long seed, List<Draft> drafts) {}

    /**
     * The head of a take; the frames follow it.
     *
     * @param live particles alive, one number a step from the pull on
     * @param presence square units, one number a step
     * @param ended whether everything was gone before the take was cut
     * @param payload of the pull that was played
     */
    public record TakeHead(
            int stepsPerSecond,
            AccountReport account,
            NumbersReport numbers,
            int[] live,
            float[] presence,
            boolean ended,
            JsonNode payload) {}

    /**
     * An effect to be played for its own sake.
     *
     * @param effect its part
     * @param rope part of the rope whose feeds and facing are used; null for none
     * @param payload of the pull, where it differs from the usual one; null for the usual one
     * @param surface ground, wall or ceiling
     * @param side left or right: where the blow comes from
     * @param velocity of the source, units a second; null to let it move only if the effect lives off its way
     * @param stopAfter seconds after which a loop is told to end; null to let it run
     */
    public record PreviewRequest(
            long effect,
            Long rope,
            JsonNode payload,
            String surface,
            String side,
            double[] velocity,
            long seed,
            Double stopAfter,
            List<Draft> drafts) {}

    /**
     * The head of a preview; the frames follow it.
     *
     * @param facing of the effect in the world
     * @param payload of the pull that was played
     */
    public record PreviewHead(
            int stepsPerSecond,
            NumbersReport numbers,
            EffectReport report,
            int[] live,
            float[] presence,
            boolean ended,
            double[] facing,
            JsonNode payload) {}

    /** A starting point for an effect. */
    public record RecipeView(String name, String description, JsonNode body) {}

    /** What differs between two revisions of a part. */
    public record ChangesView(long before, long after, List<Changes.Change> changes) {}

    /** Which responses to compute; null for those of all ropes. */
    public record ResponsesRequest(List<Long> ropes, List<Draft> drafts) {}

    /**
     * The response of one rope to a usual pull that it answers to.
     *
     * @param strip most particles alive in each thirtieth of a second from the pull on, for 3 s at most
     * @param silent why it cannot answer; null if it does
     */
    public record ResponseView(long rope, NumbersReport numbers, int[] strip, boolean ended, String silent) {}

    /** A refusal, by RFC 9457. */
    public record Refusal(
            String type,
            String title,
            int status,
            String detail,
            List<Problem> problems,
            PartView yours,
            PartView theirs) {}

    /** What an import found. */
    public record Imported(ProjectLine project, Map<String, Integer> counts) {}
}
