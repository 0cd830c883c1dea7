package bellrope.cli;

import java.io.PrintWriter;
import java.net.URI;
import picocli.CommandLine.Option;

/** Which bench a game is linked with. */
final class Linked {
    @Option(
            names = "--link",
            paramLabel = "ADDRESS",
            defaultValue = "ws://localhost:7333/link",
            description = "of the bench, with ?project=N where it has several; ${DEFAULT-VALUE}")
    private URI address;

    URI address() {
        return address;
    }

    /** Tells whether it is an address of a link; says so where it is none. */
    boolean sound(PrintWriter err) {
        if (("ws".equals(address.getScheme()) || "wss".equals(address.getScheme())) && address.getHost() != null) {
            return true;
        }
        err.println("--link: " + address + ": an address such as ws://localhost:7333/link?project=1");
        return false;
    }
}
