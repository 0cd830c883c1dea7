package bellrope.server.live;

import bellrope.core.project.Project;
import bellrope.core.value.Problem;
import bellrope.format.answer.Whole;
import bellrope.server.store.Kind;
import bellrope.server.store.Refusal;
import bellrope.server.store.Snapshot;
import bellrope.server.store.Snapshot.Part;
import bellrope.server.view.Views.Draft;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** Bodies that stand in for saved ones while someone is still turning a number. */
public final class Drafts {
    private Drafts() {}

    /**
     * Returns the project as it would be with the drafts.
     *
     * @throws Refusal if a draft is of no part of the project, or wrong in itself
     */
    public static Project over(Snapshot snapshot, List<Draft> drafts) {
        Map<Long, Object> values = new HashMap<>();
        List<Problem> problems = new ArrayList<>();
        for (Draft draft : drafts == null ? List.<Draft>of() : drafts) {
            Part part = snapshot.part(draft.part()).orElseThrow(() -> Refusal.notThere("part " + draft.part()));
            Snapshot.Body body = Snapshot.read(part.kind(), draft.body());
            if (body.wrong()) {
                problems.addAll(body.problems());
            } else {
                values.put(part.id(), body.value());
            }
        }
        if (!problems.isEmpty()) {
            throw Refusal.wrong(problems);
        }
        return snapshot.project(values);
    }

    /** Returns the same with the numbers of its parts. */
    public static Whole whole(Snapshot snapshot, List<Draft> drafts) {
        return new Whole(over(snapshot, drafts), numbers(snapshot, Kind.EFFECT), numbers(snapshot, Kind.ROPE));
    }

    private static List<Long> numbers(Snapshot snapshot, Kind kind) {
        return snapshot.parts(kind).stream().map(Part::id).toList();
    }
}
