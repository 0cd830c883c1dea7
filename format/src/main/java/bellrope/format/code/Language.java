package bellrope.format.code;

import bellrope.core.contract.Alias;
import bellrope.core.contract.Contract;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Function;

/** The languages that games are written in and that a contract can be had in. */
public enum Language {
    JAVA("Java", "java", JavaCode::new),
    CSHARP("C#", "cs", CSharpCode::new),
    CPP("C++", "hpp", CppCode::new),
    TYPESCRIPT("TypeScript", "ts", TypeScriptCode::new);

    private final String words;
    private final String extension;
    private final Function<List<Alias>, Code> writer;

    Language(String words, String extension, Function<List<Alias>, Code> writer) {
        this.words = words;
        this.extension = extension;
        this.writer = writer;
    }

    /** Returns what people call it. */
    public String words() {
        return words;
    }

    /** Returns the name of the file: that of the class or namespace in it, and the extension. */
    public String file(String project) {
        return new Identifiers(java.util.Set.of()).pascal(project) + "." + extension;
    }

    /**
     * Returns the source text of a contract.
     *
     * @param project its name
     * @param aliases former names that still do
     * @param version its name, or what says that it is not handed over yet
     */
    public String code(String project, Contract contract, List<Alias> aliases, String version) {
        return writer.apply(aliases).write(project, contract, version);
    }

    public static Optional<Language> of(String word) {
        for (Language language : values()) {
            if (language.name().toLowerCase(Locale.ROOT).equals(word)) {
                return Optional.of(language);
            }
        }
        return Optional.empty();
    }
}
