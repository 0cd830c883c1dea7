package bellrope.server.view;

import bellrope.core.value.Demand;
import bellrope.core.value.Problem;
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

    /** A starting point for an effect. */
    public record RecipeView(String name, String description, JsonValue body) {}

    /** What differs between two revisions of a part. */
    public record ChangesView(long before, long after, List<Changes.Change> changes) {}

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
