package bellrope.server;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.net.URI;
import java.util.HashSet;
import java.util.Locale;
import java.util.Set;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Looks at {@code Host} and {@code Origin} of every request, socket handshakes included, before anything else does.
 *
 * <p>A page of another site can make a browser send requests here; it cannot make it lie about these two headers. The
 * host must be one that this server answers to, and an origin, where there is one, must be that same host and port. A game
 * may come from any page of this machine: web games run on servers of their own, and what is said over their socket is
 * all that they can do here.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE)
class Door extends OncePerRequestFilter {
    private static final Set<String> HERE = Set.of("localhost", "127.0.0.1", "[::1]");

    private final Set<String> hosts = new HashSet<>(HERE);

    Door(@Value("${server.address}") String address, @Value("${bellrope.hosts:}") Set<String> more) {
        hosts.add(address.toLowerCase(Locale.ROOT));
        more.stream().map(host -> host.toLowerCase(Locale.ROOT)).forEach(hosts::add);
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        String host = request.getHeader("Host");
        String origin = request.getHeader("Origin");
        if (host == null || !hosts.contains(withoutPort(host))) {
            refuse(response, "Host", host, "localhost, or the address this server was started with");
        } else if (origin != null && !sameHost(origin, host) && !(game(request) && fromHere(origin))) {
            refuse(response, "Origin", origin, "the address this page was loaded from");
        } else {
            response.setHeader(
                    "Content-Security-Policy",
                    "default-src 'self'; script-src 'self' 'wasm-unsafe-eval'; style-src 'self' 'unsafe-inline'; img-src 'self' data: blob:; "
                            + "font-src 'self' data:; connect-src 'self'; frame-ancestors 'none'; base-uri 'none'");
            response.setHeader("X-Content-Type-Options", "nosniff");
            response.setHeader("Referrer-Policy", "no-referrer");
            chain.doFilter(request, response);
        }
    }

    private static String withoutPort(String host) {
        return host.toLowerCase(Locale.ROOT).replaceFirst(":\\d+$", "");
    }

    private static boolean game(HttpServletRequest request) {
        return request.getRequestURI().equals("/link");
    }

    private static boolean fromHere(String origin) {
        try {
            String host = URI.create(origin).getHost();
            return host != null && HERE.contains(host);
        } catch (IllegalArgumentException e) {
            return false;
        }
    }

    private static boolean sameHost(String origin, String host) {
        try {
            URI uri = URI.create(origin);
            return ("http".equals(uri.getScheme()) || "https".equals(uri.getScheme()))
                    && host.equalsIgnoreCase(uri.getAuthority());
        } catch (IllegalArgumentException e) {
            return false;
        }
    }

    private static void refuse(HttpServletResponse response, String header, String given, String allowed)
            throws IOException {
        String shown = given == null ? "missing" : given.replaceAll("[^A-Za-z0-9.:/\\[\\]-]", "?");
        Plain.write(
                response,
                HttpServletResponse.SC_FORBIDDEN,
                "Refused at the door",
                header + " is " + shown + "; allowed is " + allowed + ".");
    }
}
