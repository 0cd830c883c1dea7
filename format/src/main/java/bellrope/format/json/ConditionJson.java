package bellrope.format.json;

import bellrope.core.rope.Condition;

/** Conditions as JSON, both ways: of which kind one is, is told by the keys that are there. */
final class ConditionJson {
    private static final Form<Condition.OneOf> ONE_OF = Form.of("IsOneOf", f -> {
        var field = f.name("field", Condition.OneOf::field).says("A field of the payload.");
        var options = f.texts("is", Condition.OneOf::options)
                .from(1, Condition.OneOf.MOST_IS)
                .says("The words that satisfy it.");
        return v -> new Condition.OneOf(field.of(v), options.of(v));
    });

    private static final Form<Condition.Compare> COMPARE = Form.<Condition.Compare>of("Compares", f -> {
                var source = f.part(Condition.Compare::source, SourceJson.COMPARED);
                var relation = f.set(
                                "relation",
                                Condition.Compare::relation,
                                Notations.choice("Relation", Condition.Relation.class))
                        .says("How it must compare with the bound.");
                var bound = f.number("bound", Condition.Compare::bound).says("The number that it is compared with.");
                return v -> new Condition.Compare(source.of(v), relation.of(v), bound.of(v));
            })
            .oneOf(SourceJson.COMPARED.keys());

    private static final Form<Condition.Flagged> FLAGGED = Form.of("FlagIs", f -> {
        var field = f.name("field", Condition.Flagged::field).says("A field of the payload.");
        var up = f.set("flag", Condition.Flagged::up, Notations.FLAG).says("What the field must say.");
        return v -> new Condition.Flagged(field.of(v), up.of(v));
    });

    private static final Form<Condition.Tagged> TAGGED = Form.of("Tagged", f -> {
        var tag = f.name("tag", Condition.Tagged::tag).says("A tag that the subject must have.");
        var present = f.flag("has", Condition.Tagged::present)
                .usual(true)
                .formerly("borne")
                .says("False if it must not have it.");
        return v -> new Condition.Tagged(tag.of(v), present.of(v));
    });

    static final Notation<Condition> CONDITION = new Notation<>() {
        @Override
        Condition read(JsonReader object, String key) {
            return object.read(key, this::read);
        }

        @Override
        Condition read(JsonReader object) {
            if (object.has("tag")) {
                return TAGGED.read(object);
            }
            if (object.has("is")) {
                return ONE_OF.read(object);
            }
            return object.has("flag") ? FLAGGED.read(object) : COMPARE.read(object);
        }

        @Override
        JsonValue write(Condition condition) {
            return condition.match(COMPARE::write, ONE_OF::write, FLAGGED::write, TAGGED::write);
        }

        @Override
        JsonObject rule(SchemaWriter schema) {
            return schema.named("Condition", () -> {
                JsonObject rule = Json.object().put("title", "Condition");
                rule.putArray("oneOf")
                        .add(ONE_OF.object(schema))
                        .add(COMPARE.object(schema))
                        .add(FLAGGED.object(schema))
                        .add(TAGGED.object(schema));
                return rule;
            });
        }
    };

    private ConditionJson() {}
}
