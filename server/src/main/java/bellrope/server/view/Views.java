package bellrope.server.view;

import bellrope.core.value.Demand;
import bellrope.core.value.Problem;
import bellrope.format.answer.Pulled;
import bellrope.format.answer.Recorded;
import bellrope.format.json.Changes;
import bellrope.format.json.JsonValue;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;

/** The shapes of requests and answers. */
public final class Views {
    private Views() {}

    /**
     * A project in a list.
     *
     * @param change counts every change of the project
     * @param broken why it is set aside and cannot be opened; null where it can
     */
    public record ProjectLine(
            long id,
            String name,
            long change,
            int events,
            int effects,
            int ropes,
            @Nullable String broken) {}

    /**
     * One part of a project as it stands, or stood.
     *
     * @param kind settings, sprite, event, effect, rope, channel or place
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
     * @param slot what it says: words, event, value, condition, effect, gap, overrides, placement, facing, feed, start, end,
     *     fades, longest, timing, limits, owner, follow up or companion
     * @param index which condition, feed, follow-up or companion; of a gap what is missing: 0 the effect, 1 the value, 2 and
     *     up the follow-ups
     */
    public record Words(String text, String slot, int index) {}

    /** A rope's sentence. */
    public record SentenceView(long rope, List<Words> parts) {}

    /**
     * Ready-made payloads of an event, as in a pull.
     *
     * @param event part of the event
     */
    public record StrengthsView(long event, JsonValue soft, JsonValue usual, JsonValue hard) {}

    /** A whole project. */
    public record ProjectView(
            long id,
            String name,
            long change,
            List<PartView> parts,
            List<SentenceView> sentences,
            List<StrengthsView> strengths) {}

    /** What a change left behind: the parts that it altered, and every sentence that reads otherwise now. */
    public record Saved(
            List<PartView> parts, long change, List<SentenceView> sentences, List<StrengthsView> strengths) {}

    /**
     * A part to be saved.
     *
     * @param basedOn revision that the change was made on
     */
    public record Save(long basedOn, JsonNode body) {
        public Save {
            Demand.given("body", body, "the body to save; a part is deleted by DELETE");
        }
    }

    /** A part to be added. */
    public record Add(String kind, JsonNode body) {
        public Add {
            Demand.given("kind", kind, "a kind of part");
            Demand.given("body", body, "the body of the new part");
        }
    }

    /**
     * One of several changes that come together.
     *
     * @param part to be changed; null for a new one
     * @param kind of a new part
     * @param basedOn revision that the change was made on
     * @param body of the part; null to delete it
     * @param place among its kind; null to leave it there, or to put a new one at the end
     */
    public record Edit(
            @Nullable Long part,
            @Nullable String kind,
            long basedOn,
            JsonNode body,
            @Nullable Long place) {
        public Edit {
            Demand.given("body", body, "the body of the part, or null to delete it");
        }
    }

    /** Changes that come true together or not at all. */
    public record Edits(List<Edit> edits) {
        public Edits {
            Demand.given("edits", edits, "a list of changes");
        }
    }

    /**
     * Something to be renamed, with everything that names it.
     *
     * @param what event, field, value, option, effect, parameter, channel or place
     * @param within event of a field, value or option; effect of a parameter; null for the others
     * @param field of an option
     */
    public record Rename(
            String what, @Nullable String within, @Nullable String field, String from, String to) {
        public Rename {
            Demand.given("what", what, "event, field, value, option, effect, parameter, channel or place");
            Demand.given("from", from, "the name as it is");
            Demand.given("to", to, "the name as it shall be");
        }
    }

    public record NewProject(String name) {
        public NewProject {
            Demand.given("name", name, "a name");
        }
    }

    /**
     * What game code may rely on.
     *
     * @param contract as it stands, as in a bundle
     * @param versions that were handed over, the last first
     * @param aliases former names that still do
     * @param against name of the version that it is compared with; null when none was handed over
     * @param differences from that version
     * @param breaks how many of them break game code
     * @param version what the contract is called as it stands
     */
    public record ContractView(
            JsonValue contract,
            List<VersionView> versions,
            List<AliasView> aliases,
            @Nullable String against,
            List<DifferenceView> differences,
            int breaks,
            String version) {}

    /** A contract that was handed over. */
    public record VersionView(long part, String name, String note, String at) {}

    /** A former name that still does. */
    public record AliasView(String kind, String within, String from, String to, String since) {}

    /**
     * One thing that differs.
     *
     * @param kind {@code added}, {@code changed}, {@code removed} or {@code renamed}
     */
    public record DifferenceView(String kind, String what, String before, String after, boolean breaks, String why) {}

    /** A version to be handed over. */
    public record NewVersion(String name, @Nullable String note) {
        public NewVersion {
            Demand.given("name", name, "a name");
        }
    }

    /** A body that stands in for a saved part without being saved. */
    public record Draft(long part, JsonNode body) {
        public Draft {
            Demand.given("body", body, "a body to stand in for the saved one");
        }
    }

    /**
     * A take to be computed.
     *
     * @param rope part of the one rope to play; null for all that listen
     * @param payload of the pull; null for the usual one that the rope answers to
     * @param value that a state takes; null for the one that the rope answers to
     * @param held seconds after which a span or state ends; null for 1.5
     * @param channels what channels say; those not named say what the rope needs, or what is usual
     * @param seed of the pull
     */
    public record TakeRequest(
            @Nullable Long rope,
            @Nullable String event,
            @Nullable JsonNode payload,
            @Nullable String value,
            @Nullable Double held,
            @Nullable Map<String, Double> channels,
            long seed,
            @Nullable List<Draft> drafts) {}

    /**
     * An effect to be played for its own sake.
     *
     * @param effect its part
     * @param rope part of the rope whose feeds and facing are used; null for none
     * @param payload of the pull, where it differs from the usual one; null for the usual one
     * @param surface ground, wall or ceiling
     * @param side left or right: where the blow comes from
     * @param velocity of the source, units a second; null to let it move only if the effect lives off its way
     * @param stopAfter seconds after which a loop is stopped; null to let it run
     * @param set parameters turned by hand, by name; null for none
     */
    public record PreviewRequest(
            long effect,
            @Nullable Long rope,
            @Nullable JsonNode payload,
            @Nullable String surface,
            @Nullable String side,
            double @Nullable [] velocity,
            long seed,
            @Nullable Double stopAfter,
            @Nullable JsonNode set,
            @Nullable List<Draft> drafts) {}

    /** An effect to be looked at. */
    public record EffectRequest(long effect, @Nullable List<Draft> drafts) {}

    /** A rope whose feeds are to be looked at. */
    public record FeedsRequest(long rope, @Nullable List<Draft> drafts) {}

    /**
     * A feed that is wished for.
     *
     * @param index of the feed that it replaces; null to add one
     * @param source as in a feed of a bundle; null for the usual one
     */
    public record FedWish(
            @Nullable Integer index,
            String parameter,
            @Nullable JsonNode source) {}

    /**
     * Ropes to be brought to fit, and one thing to fit them to.
     *
     * @param ropes as in a bundle
     * @param event that they answer from now on
     * @param effect that they play from now on
     * @param feed that they get
     * @param field of the event, for a condition
     * @param channel for a condition
     */
    public record FittedRequest(
            List<JsonNode> ropes,
            @Nullable List<Draft> drafts,
            @Nullable String event,
            @Nullable String effect,
            @Nullable FedWish feed,
            @Nullable String field,
            @Nullable String channel) {}

    /** A starting point for an effect. */
    public record RecipeView(String name, String description, JsonValue body) {}

    /** What differs between two revisions of a part. */
    public record ChangesView(long before, long after, List<Changes.Change> changes) {}

    /** Which responses to compute; null for those of all ropes. */
    public record ResponsesRequest(
            @Nullable List<Long> ropes, @Nullable List<Draft> drafts) {}

    /** What to look at the wiring with; what came at the last pulls may be known. */
    public record WiringRequest(
            @Nullable List<Recorded> recorded,
            @Nullable List<Pulled> pulled,
            @Nullable List<Draft> drafts) {}

    /** A refusal, by RFC 9457. */
    public record Refusal(
            String type,
            String title,
            int status,
            String detail,
            List<Problem> problems,
            @Nullable PartView yours,
            @Nullable PartView theirs) {}

    /** What an import found. */
    public record Imported(ProjectLine project, Map<String, Integer> counts) {}
}
