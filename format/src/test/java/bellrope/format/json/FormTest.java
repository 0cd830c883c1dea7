package bellrope.format.json;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;

import bellrope.core.value.Bounds;
import bellrope.core.value.Problem;
import bellrope.core.value.Refused;
import java.util.List;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;

/** What one line of a form brings about: reading, writing and the schema, on a form of its own. */
class FormTest {
    private static final Bounds HEIGHT = Bounds.above(0, 10);

    private record Hat(String name, double height, boolean worn, OptionalDouble brim) {
        private Hat {
            HEIGHT.check("height", height);
            if (worn && brim.isEmpty()) {
                throw new Refused("brim", "missing", "a number, of a hat that is worn");
            }
        }
    }

    private static final Form<Hat> HAT = Form.of("Hat", "What is put on a head.", f -> {
        var name = f.name("name", Hat::name).says("What it is called.");
        var height = f.number("height", Hat::height)
                .usual(2.0)
                .formerly("tall")
                .within(HEIGHT, "u")
                .says("From brim to top.");
        var worn = f.flag("worn", Hat::worn);
        var brim = f.maybeNumber("brim", Hat::brim);
        return v -> new Hat(name.of(v), height.of(v), worn.of(v), brim.of(v));
    });

    private sealed interface Head {
        record Bare() implements Head {}

        record Covered(Hat hat) implements Head {}
    }

    private static final Kinds<Head> HEAD = Kinds.of("Head", "kind", k -> {
        var bare = k.kind("bare", "Bare", f -> v -> new Head.Bare());
        var covered = k.kind("covered", Form.<Head.Covered>of("Covered", f -> {
            var hat = f.set("hat", Head.Covered::hat, HAT);
            return v -> new Head.Covered(hat.of(v));
        }));
        return head -> head instanceof Head.Covered one ? covered.write(one) : bare.write((Head.Bare) head);
    });

    private final Problems problems = new Problems();

    private Hat hat(String text) {
        return HAT.read(reader(text));
    }

    private Head head(String text) {
        return HEAD.read(reader(text));
    }

    private JsonReader reader(String text) {
        byte[] bytes = text.replace('\'', '"').getBytes(UTF_8);
        return new JsonReader(JacksonValue.of(JsonText.parse(bytes).node()), "", problems);
    }

    private List<String> wrong() {
        return problems.list().stream().map(Problem::toString).toList();
    }

    @Test
    void whatIsLeftOutIsAsUsualAndIsNotWritten() {
        Hat hat = hat("{'name':'bowler'}");
        assertThat(hat).isEqualTo(new Hat("bowler", 2, false, OptionalDouble.empty()));
        assertThat(JsonText.compact(JacksonValue.node(HAT.write(hat)))).isEqualTo("{\"name\":\"bowler\"}");
    }

    @Test
    void whatIsSaidIsReadAndWrittenInTheOrderOfTheForm() {
        String said = "{'name':'topper','height':4,'worn':true,'brim':0.5}";
        Hat hat = hat("{'brim':0.5,'worn':true,'height':4,'name':'topper'}");
        assertThat(JsonText.compact(JacksonValue.node(HAT.write(hat)))).isEqualTo(said.replace('\'', '"'));
    }

    @Test
    void aFormerKeyIsStillRead() {
        assertThat(hat("{'name':'topper','tall':4}").height()).isEqualTo(4);
        assertThat(problems.none()).isTrue();
    }

    @Test
    void everyFaultIsNotedAtItsPlaceAndNothingIsMade() {
        assertThat(hat("{'name':3,'height':'tall','worn':'yes','feather':1}")).isNull();
        assertThat(problems.list()).extracting(Problem::place).containsExactly("/name", "/height", "/worn", "/feather");
    }

    @Test
    void whatTheRecordRefusesIsNotedAtTheSettingItNames() {
        assertThat(hat("{'name':'bowler','height':0}")).isNull();
        assertThat(hat("{'name':'bowler','worn':true}")).isNull();
        assertThat(problems.list()).extracting(Problem::place).containsExactly("/height", "/brim");
    }

    @Test
    void aKindIsReadByItsWord() {
        assertThat(head("{'kind':'covered','hat':{'name':'bowler'}}")).isInstanceOf(Head.Covered.class);
        assertThat(head("{'kind':'bare'}")).isEqualTo(new Head.Bare());
        assertThat(problems.none()).isTrue();
        head("{'kind':'bear'}");
        assertThat(wrong()).singleElement().asString().contains("/kind", "bear", "bare");
    }

    @Test
    void theSchemaSaysTheSame() {
        SchemaWriter writer = new SchemaWriter();
        HEAD.rule(writer);
        assertThat(JsonText.compact(JacksonValue.node(writer.rules().get("Hat"))))
                .isEqualTo(
                        ("{'title':'Hat','description':'What is put on a head.','type':'object','additionalProperties':false,"
                                        + "'required':['name'],'properties':{"
                                        + "'name':{'description':'What it is called.','$ref':'#/$defs/Name'},"
                                        + "'height':{'description':'From brim to top.','type':'number','exclusiveMinimum':0,'maximum':10,"
                                        + "'unit':'u','default':2},"
                                        + "'worn':{'type':'boolean','default':false},'brim':{'type':'number'}}}")
                                .replace('\'', '"'));
        assertThat(writer.rules().keys()).containsExactly("Head", "Hat", "Name");
    }
}
