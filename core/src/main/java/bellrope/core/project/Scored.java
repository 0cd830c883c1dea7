package bellrope.core.project;

import bellrope.core.event.Channel;
import bellrope.core.event.EventType;
import bellrope.core.event.Field;
import bellrope.core.score.Lane;
import bellrope.core.score.Mark;
import bellrope.core.score.Pattern;
import bellrope.core.score.Said;
import bellrope.core.score.Score;
import bellrope.core.value.Datum;
import bellrope.core.value.Problem;
import bellrope.core.value.Words;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Whether scores say what the events and channels of their project can carry. */
final class Scored {
    private final List<Problem> problems = new ArrayList<>();
    private final Project project;

    private Scored(Project project) {
        this.project = project;
    }

    static List<Problem> problems(Project project) {
        Scored check = new Scored(project);
        for (int i = 0; i < project.scores().size(); i++) {
            check.score("/scores/" + i, project.scores().get(i));
        }
        return check.problems;
    }

    private void score(String place, Score score) {
        List<String> events = project.events().stream().map(EventType::name).toList();
        for (int i = 0; i < score.lanes().size(); i++) {
            Lane lane = score.lanes().get(i);
            String at = place + "/lanes/" + i;
            Optional<EventType> event = project.event(lane.event());
            if (event.isEmpty()) {
                problems.add(new Problem(
                        at + "/event", '"' + lane.event() + '"', Words.known("event", lane.event(), events)));
            } else {
                lane(at, lane, event.get());
            }
        }
        List<String> channels = project.channels().stream().map(Channel::name).toList();
        for (int i = 0; i < score.channels().size(); i++) {
            String channel = score.channels().get(i).channel();
            if (!channels.contains(channel)) {
                problems.add(new Problem(
                        place + "/channels/" + i + "/channel",
                        '"' + channel + '"',
                        Words.known("channel", channel, channels)));
            }
        }
    }

    private void lane(String place, Lane lane, EventType event) {
        for (int i = 0; i < lane.said().size(); i++) {
            Said said = lane.said().get(i);
            says(place + "/said/" + i, event, said.value(), said.payload());
        }
        if (lane.when() instanceof Pattern.Marks marks) {
            for (int i = 0; i < marks.marks().size(); i++) {
                Mark mark = marks.marks().get(i);
                says(place + "/when/marks/" + i, event, mark.value(), mark.payload());
            }
        }
    }

    private void says(String place, EventType event, Optional<String> value, Map<String, Datum> payload) {
        if (value.isPresent() && !event.values().contains(value.get())) {
            problems.add(new Problem(
                    place + "/value",
                    '"' + value.get() + '"',
                    event.values().isEmpty()
                            ? "no value; " + event.name() + " is no state"
                            : Words.known("value of " + event.name(), value.get(), event.values())));
        }
        payload.forEach((name, given) -> {
            Optional<Field> field = event.field(name);
            if (field.isEmpty()) {
                problems.add(new Problem(
                        place + "/payload/" + name,
                        '"' + name + '"',
                        Words.known("field of " + event.name(), name, event.fieldNames())));
            } else if (!field.get().accepts(given)) {
                problems.add(new Problem(
                        place + "/payload/" + name, given.inWords(), field.get().expects()));
            }
        });
    }
}
