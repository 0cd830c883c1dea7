package bellrope.format.link;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowableOfType;

import bellrope.core.project.Project;
import bellrope.core.value.Refused;
import bellrope.format.json.Bundle;
import bellrope.format.json.Demo;
import bellrope.format.json.JsonText;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;

class PatchTest {
    private static final ObjectMapper OTHER = new ObjectMapper();

    private static JsonNode json(String text) {
        return JsonText.parse(text).node();
    }

    // RFC 6902, appendix A; the numbers are those of its sections.
    @ParameterizedTest(name = "{0}")
    @CsvSource(
            delimiter = '|',
            quoteCharacter = '"',
            value = {
                "A.1 | {'foo':'bar'} | [{'op':'add','path':'/baz','value':'qux'}] | {'baz':'qux','foo':'bar'}",
                "A.2 | {'foo':['bar','baz']} | [{'op':'add','path':'/foo/1','value':'qux'}] | {'foo':['bar','qux','baz']}",
                "A.3 | {'baz':'qux','foo':'bar'} | [{'op':'remove','path':'/baz'}] | {'foo':'bar'}",
                "A.4 | {'foo':['bar','qux','baz']} | [{'op':'remove','path':'/foo/1'}] | {'foo':['bar','baz']}",
                "A.5 | {'baz':'qux','foo':'bar'} | [{'op':'replace','path':'/baz','value':'boo'}] | {'baz':'boo','foo':'bar'}",
                "A.6 | {'foo':{'bar':'baz','waldo':'fred'},'qux':{'corge':'grault'}} | [{'op':'move','from':'/foo/waldo','path':'/qux/thud'}] | {'foo':{'bar':'baz'},'qux':{'corge':'grault','thud':'fred'}}",
                "A.7 | {'foo':['all','grass','cows','eat']} | [{'op':'move','from':'/foo/1','path':'/foo/3'}] | {'foo':['all','cows','eat','grass']}",
                "A.8 | {'baz':'qux','foo':['a',2,'c']} | [{'op':'test','path':'/baz','value':'qux'},{'op':'test','path':'/foo/1','value':2}] | {'baz':'qux','foo':['a',2,'c']}",
                "A.10 | {'foo':'bar'} | [{'op':'add','path':'/child','value':{'grandchild':{}}}] | {'foo':'bar','child':{'grandchild':{}}}",
                "A.11 | {'foo':'bar'} | [{'op':'add','path':'/baz','value':'qux','xyz':123}] | {'foo':'bar','baz':'qux'}",
                "A.14 | {'/':9,'~1':10} | [{'op':'test','path':'/~01','value':10}] | {'/':9,'~1':10}",
                "A.16 | {'foo':['bar']} | [{'op':'add','path':'/foo/-','value':['abc','def']}] | {'foo':['bar',['abc','def']]}",
                "whole | {'foo':1} | [{'op':'replace','path':'','value':[2]}] | [2]",
                "copy | {'a':[1]} | [{'op':'copy','from':'/a','path':'/b'},{'op':'add','path':'/b/0','value':0}] | {'a':[1],'b':[0,1]}",
            })
    void doesWhatTheStandardShows(String section, String before, String patch, String after) {
        JsonNode text = json(before.replace('\'', '"'));
        assertThat(Patch.apply(text, json(patch.replace('\'', '"')))).isEqualTo(json(after.replace('\'', '"')));
        assertThat(text).isEqualTo(json(before.replace('\'', '"')));
    }

    @ParameterizedTest(name = "{0}")
    @CsvSource(
            delimiter = '|',
            quoteCharacter = '"',
            value = {
                "A.9 | {'baz':'qux'} | [{'op':'test','path':'/baz','value':'bar'}] | /0/value",
                "A.12 | {'foo':'bar'} | [{'op':'add','path':'/baz/bat','value':'qux'}] | /0/path",
                "A.15 | {'/':9,'~1':10} | [{'op':'test','path':'/~01','value':'10'}] | /0/value",
                "no such item | {'a':[1]} | [{'op':'remove','path':'/a/1'}] | /0/path",
                "a leading zero | {'a':[1,2]} | [{'op':'remove','path':'/a/01'}] | /0/path",
                "into itself | {'a':{'b':1}} | [{'op':'move','from':'/a','path':'/a/b'}] | /0/from",
                "the second | {'a':1} | [{'op':'remove','path':'/a'},{'op':'remove','path':'/a'}] | /1/path",
                "unknown | {'a':1} | [{'op':'turn','path':'/a'}] | /0/op",
                "no value | {'a':1} | [{'op':'add','path':'/a'}] | /0/value",
                "no pointer | {'a':1} | [{'op':'remove','path':'a'}] | /0/path",
            })
    void whatDoesNotFitIsRefusedAndChangesNothing(String what, String before, String patch, String place) {
        JsonNode text = json(before.replace('\'', '"'));
        Refused refused = catchThrowableOfType(Refused.class, () -> Patch.apply(text, json(patch.replace('\'', '"'))));
        assertThat(refused.place()).isEqualTo(place);
        assertThat(text).isEqualTo(json(before.replace('\'', '"')));
    }

    /** Another library (zjsonpatch) makes the same of our patches as we do, and we of its. */
    @Test
    void anotherLibraryAgreesAboutChangesOfTheDemo() throws Exception {
        Random random = new Random(17);
        JsonNode before = json(Bundle.write(Demo.project()));
        for (int n = 0; n < 60; n++) {
            JsonNode after = json(Bundle.write(changed(Demo.project(), random)));
            JsonNode patch = Patch.between(before, after);
            assertThat(Patch.apply(before, patch)).isEqualTo(after);
            var theirs = com.flipkart.zjsonpatch.JsonPatch.apply(other(patch), other(before));
            assertThat(theirs).isEqualTo(other(after));
            var diff = com.flipkart.zjsonpatch.JsonDiff.asJson(other(before), other(after));
            assertThat(Patch.apply(before, json(diff.toString()))).isEqualTo(after);
        }
    }

    private static com.fasterxml.jackson.databind.JsonNode other(JsonNode node) throws Exception {
        return OTHER.readTree(node.toString());
    }

    // Some ropes and effects taken out, doubled or moved.
    private static Project changed(Project project, Random random) {
        return project.withRopes(changed(project.ropes(), random)).withEvents(changed(project.events(), random));
    }

    private static <T> List<T> changed(List<T> list, Random random) {
        List<T> changed = new ArrayList<>(list);
        for (int n = random.nextInt(4); n >= 0; n--) {
            switch (random.nextInt(3)) {
                case 0 -> changed.remove(random.nextInt(changed.size()));
                case 1 -> changed.add(random.nextInt(changed.size() + 1), list.get(random.nextInt(list.size())));
                default -> Collections.swap(changed, random.nextInt(changed.size()), random.nextInt(changed.size()));
            }
        }
        return changed;
    }

    @Test
    void onePartThatChangedIsAPatchOfItsOwn() {
        JsonNode before = json("{'ropes':[{'name':'a','delay':1},{'name':'b'}],'x':1}".replace('\'', '"'));
        JsonNode after = json("{'ropes':[{'name':'a','delay':2},{'name':'b'}],'x':1}".replace('\'', '"'));
        assertThat(Patch.between(before, after).toString())
                .isEqualTo("[{'op':'replace','path':'/ropes/0/delay','value':2}]".replace('\'', '"'));
        JsonNode fewer = json("{'ropes':[{'name':'b'}],'x':1}".replace('\'', '"'));
        assertThat(Patch.between(before, fewer).toString())
                .isEqualTo("[{'op':'remove','path':'/ropes/0'}]".replace('\'', '"'));
        assertThat(Patch.between(before, before)).isEmpty();
    }
}
