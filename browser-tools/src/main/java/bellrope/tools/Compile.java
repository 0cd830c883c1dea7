package bellrope.tools;

import java.io.File;
import java.io.IOException;
import java.io.InputStream;
import java.net.MalformedURLException;
import java.net.URL;
import java.net.URLClassLoader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.teavm.diagnostics.DefaultProblemTextConsumer;
import org.teavm.diagnostics.Problem;
import org.teavm.tooling.TeaVMTargetType;
import org.teavm.tooling.TeaVMTool;
import org.teavm.tooling.TeaVMToolException;
import org.teavm.vm.TeaVMOptimizationLevel;

/** Compiles a class and all that it reaches to WebAssembly: {@code Compile CLASS FOLDER}. */
public final class Compile {
    static final String RUNTIME = "org/teavm/backend/wasm/wasm-gc-module-runtime.js";

    private Compile() {}

    public static void main(String[] args) throws TeaVMToolException, IOException {
        File folder = new File(args[1]);
        List<File> path = new ArrayList<>();
        for (String entry : System.getProperty("java.class.path").split(File.pathSeparator)) {
            path.add(new File(entry));
        }
        TeaVMTool tool = new TeaVMTool();
        tool.setTargetType(TeaVMTargetType.WEBASSEMBLY_GC);
        tool.setMainClass(args[0]);
        tool.setTargetDirectory(folder);
        tool.setTargetFileName("core.wasm");
        tool.setOptimizationLevel(TeaVMOptimizationLevel.ADVANCED);
        tool.setObfuscated(true);
        tool.setClassPath(path);
        tool.setClassLoader(new URLClassLoader(path.stream().map(Compile::url).toArray(URL[]::new)));
        tool.generate();
        List<Problem> problems = tool.getProblemProvider().getSevereProblems();
        for (Problem problem : problems) {
            DefaultProblemTextConsumer text = new DefaultProblemTextConsumer();
            problem.render(text);
            String where = problem.getLocation() == null
                    ? ""
                    : problem.getLocation().getMethod() + ", "
                            + problem.getLocation().getSourceLocation();
            System.err.println(text.getText() + " in " + where);
        }
        if (!problems.isEmpty()) {
            throw new IllegalStateException(problems.size() + " problems; what each is stands above");
        }
        try (InputStream runtime = Compile.class.getClassLoader().getResourceAsStream(RUNTIME)) {
            Files.writeString(
                    Path.of(args[1], "runtime.js"),
                    Strict.of(new String(runtime.readAllBytes(), StandardCharsets.UTF_8)));
        }
    }

    private static URL url(File file) {
        try {
            return file.toURI().toURL();
        } catch (MalformedURLException e) {
            throw new IllegalArgumentException(e);
        }
    }
}
