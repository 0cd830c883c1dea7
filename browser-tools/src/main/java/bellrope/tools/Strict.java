package bellrope.tools;

/**
 * Rewrites the compiler's runtime script so that it makes no function from text, which a page with a strict content
 * security policy forbids. What it made that way are functions of so many arguments; rest arguments do the same.
 */
final class Strict {
    private static final String NOTE =
            "// Changed by Bellrope's build: no function is made from text, so that a strict policy can stay.\n";

    private String text;

    private Strict(String text) {
        this.text = text;
    }

    /** @throws IllegalStateException if the script is another than the one that is known */
    static String of(String runtime) {
        Strict strict = new Strict(runtime);
        strict.replace(
                "        result = new Function(\"return \" + name + \";\");",
                "        const found = name.split(\".\").reduce((within, part) => within[part], globalThis);\n"
                        + "        result = () => found;");
        strict.replace("    new Function(\"value\", name + \" = value;\")(value);", "    globalThis[name] = value;");
        strict.replace("    function defineFunction(fn, vararg) {", "    imports.teavmJso = {", """
                    function defineFunction(fn, vararg) {
                        if (vararg) {
                            throw new Error("a function of any number of arguments");
                        }
                        return function(...given) {
                            try {
                                return fn(...given);
                            } catch (e) {
                                rethrowJavaAsJs(e);
                            }
                        };
                    }
                    function renameConstructor(name, c) {
                        const result = function(marker, javaObject) {
                            return c.call(this, marker, javaObject);
                        };
                        Object.defineProperty(result, "name", { value: name });
                        return result;
                    }
                """);
        strict.replace("            let params = [];\n", "        defineStaticMethod(cls", """
                            if (vararg) {
                                throw new Error("a method of any number of arguments");
                            }
                            cls.prototype[name] = function(...given) {
                                try {
                                    return fn(this, ...given);
                                } catch (e) {
                                    rethrowJavaAsJs(e);
                                }
                            };
                        },
                """);
        strict.replace("    let argumentList = [];\n", "function wrapImport(importObj)", """
                    function guarded(call) {
                        return function(...given) {
                            try {
                                return call(...given);
                            } catch (e) {
                                rethrowJsAsJava(e);
                            }
                        };
                    }
                    // Of functions that are given as text only the one that returns its argument is known.
                    function known(...parts) {
                        if (parts.length === 2 && parts[1] === "return " + parts[0] + ";") {
                            return identity;
                        }
                        throw new Error("a function made from text: " + parts.join(" | "));
                    }
                    for (let i = 0; i < 32; ++i) {
                        imports.teavmJso["createFunction" + i] = known;
                        imports.teavmJso["bindFunction" + i] = (f, ...args) => f.bind(null, ...args);
                        imports.teavmJso["callFunction" + i] = guarded((fn, ...given) => fn(...given));
                        imports.teavmJso["callMethod" + i] = guarded((instance, method, ...given) =>
                            instance !== null ? instance[method](...given) : getGlobalName(method)(...given));
                        imports.teavmJso["construct" + i] = guarded((constructor, ...given) => new constructor(...given));
                        imports.teavmJso["arrayOf" + i] = (...given) => given;
                    }
                }

                """);
        if (strict.text.contains("new Function") || strict.text.contains("eval(")) {
            throw new IllegalStateException(
                    "the runtime script makes functions from text in a place that is not known");
        }
        return NOTE + strict.text;
    }

    private void replace(String old, String by) {
        int at = place(old, 0);
        text = text.substring(0, at) + by + text.substring(at + old.length());
    }

    // What lies from one text up to another.
    private void replace(String from, String to, String by) {
        int start = place(from, 0);
        text = text.substring(0, start) + by + text.substring(place(to, start));
    }

    private int place(String part, int from) {
        int at = text.indexOf(part, from);
        if (at < 0) {
            throw new IllegalStateException("the runtime script is another than the one that is known: no " + part);
        }
        return at;
    }
}
