package bellrope.server;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;

/** Problem details (RFC 9457) written by hand, for what is refused before the framework sees it. */
final class Plain {
    private Plain() {}

    /** @param detail plain text without quotes, backslashes or control characters */
    static void write(HttpServletResponse response, int status, String title, String detail) throws IOException {
        response.setStatus(status);
        response.setContentType("application/problem+json");
        response.setCharacterEncoding("UTF-8");
        response.getWriter()
                .write("{\"type\":\"about:blank\",\"title\":\"" + title + "\",\"status\":" + status + ",\"detail\":\""
                        + detail + "\",\"problems\":[]}");
    }
}
