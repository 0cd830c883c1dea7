package bellrope.server;

import bellrope.format.json.JsonText;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletException;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import jakarta.servlet.http.HttpServletResponse;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.Set;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import java.util.function.LongSupplier;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Reads the body of every request before anything is done with it: within a size, within a time, and only so many at once.
 *
 * <p>A body that dribbles in would otherwise hold a thread for as long as its sender likes, and two hundred of them the whole
 * server. What there is no room for is refused at once and may be sent again; requests without a body never wait for one.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 1)
class Bodies extends OncePerRequestFilter {
    /** Bytes of a body that is no bundle. */
    static final int MOST = 8 << 20;
    /** Bodies that are read at once, and MiB of all that are held. */
    static final int MOST_READING = 48;

    private static final int MOST_HELD = 96;
    /** Seconds in which a body must be there. */
    static final int MOST_SECONDS = 20;

    private static final int PIECE = 1 << 16;
    private static final Set<String> WITH_BODY = Set.of("POST", "PUT", "PATCH", "DELETE");

    private final Semaphore reading = new Semaphore(MOST_READING);
    private final Semaphore held = new Semaphore(MOST_HELD, true);
    private final LongSupplier nanos;

    Bodies() {
        this(System::nanoTime);
    }

    Bodies(LongSupplier nanos) {
        this.nanos = nanos;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        if (!WITH_BODY.contains(request.getMethod()) || request.getContentLengthLong() == 0) {
            chain.doFilter(request, response);
            return;
        }
        boolean bundle = request.getRequestURI().matches(".*/bundles?");
        int most = bundle ? JsonText.MOST_BYTES : MOST;
        if (request.getContentLengthLong() > most) {
            tooLarge(response, most);
            return;
        }
        long length = request.getContentLengthLong();
        int weight = 1 + (int) ((length < 0 ? most : length) >> 20);
        if (!held.tryAcquire(weight)) {
            busy(response);
            return;
        }
        try {
            byte[] body = body(request, response, most);
            if (body != null) {
                chain.doFilter(new Read(request, body), response);
            }
        } finally {
            held.release(weight);
        }
    }

    // Null when it was refused.
    private byte[] body(HttpServletRequest request, HttpServletResponse response, int most) throws IOException {
        if (!reading.tryAcquire()) {
            busy(response);
            return null;
        }
        try {
            ByteArrayOutputStream body = new ByteArrayOutputStream((int) Math.max(256, request.getContentLengthLong()));
            byte[] piece = new byte[PIECE];
            long begun = nanos.getAsLong();
            ServletInputStream in = request.getInputStream();
            for (int n = in.read(piece); n >= 0; n = in.read(piece)) {
                body.write(piece, 0, n);
                if (body.size() > most) {
                    tooLarge(response, most);
                    return null;
                }
                if (nanos.getAsLong() - begun > TimeUnit.SECONDS.toNanos(MOST_SECONDS)) {
                    late(response);
                    return null;
                }
            }
            return body.toByteArray();
        } catch (IOException e) {
            // The sender fell silent, or left.
            late(response);
            return null;
        } finally {
            reading.release();
        }
    }

    private static void tooLarge(HttpServletResponse response, int most) throws IOException {
        String what = most == JsonText.MOST_BYTES ? "The bundle" : "The body";
        Plain.write(response, 413, "Too large", what + " is larger than " + (most >> 20) + " MiB.");
    }

    private static void late(HttpServletResponse response) throws IOException {
        response.setHeader("Connection", "close");
        Plain.write(response, 408, "Too slow", "The body was not there within " + MOST_SECONDS + " s.");
    }

    private static void busy(HttpServletResponse response) throws IOException {
        response.setHeader("Retry-After", "2");
        response.setHeader("Connection", "close");
        Plain.write(
                response,
                503,
                "Busy",
                "As many requests as the server takes at once are still being sent; nothing was changed. Try again.");
    }

    /** A request whose body has been read. */
    private static final class Read extends HttpServletRequestWrapper {
        private final ByteArrayInputStream body;

        private Read(HttpServletRequest request, byte[] bytes) {
            super(request);
            body = new ByteArrayInputStream(bytes);
        }

        @Override
        public ServletInputStream getInputStream() {
            return new ServletInputStream() {
                @Override
                public int read() {
                    return body.read();
                }

                @Override
                public int read(byte[] to, int from, int most) {
                    return body.read(to, from, most);
                }

                @Override
                public boolean isFinished() {
                    return body.available() == 0;
                }

                @Override
                public boolean isReady() {
                    return true;
                }

                @Override
                public void setReadListener(ReadListener listener) {
                    throw new UnsupportedOperationException("the body is there already");
                }
            };
        }
    }
}
