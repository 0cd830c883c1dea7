package bellrope.server.web;

import bellrope.format.answer.Answer;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import java.util.function.Supplier;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/**
 * Takes on their way to a reader: length of the head (u32), the head, and for each frame its length and its bytes.
 *
 * <p>The frames of one take can come to {@link bellrope.core.stage.Take#MOST_BYTES}, so only so many are held at once, and each is written as it
 * lies in memory, without a copy of the whole.
 */
@Component
class Sending {
    private static final int AT_ONCE = 2;
    private static final int BUFFER = 1 << 18;
    private static final int WAIT_SECONDS = 10;

    private final JsonMapper json;
    private final Semaphore held = new Semaphore(AT_ONCE, true);

    Sending(JsonMapper json) {
        this.json = json;
    }

    /** Computes a take and writes it. */
    void write(HttpServletResponse response, Supplier<? extends Answer<?>> work) throws IOException {
        try {
            if (!held.tryAcquire(WAIT_SECONDS, TimeUnit.SECONDS)) {
                throw new Busy("Other takes are being computed; try again.");
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new Busy("The server is closing.");
        }
        try {
            Answer<?> answer = work.get();
            response.setContentType(MediaType.APPLICATION_OCTET_STREAM_VALUE);
            response.setBufferSize(BUFFER);
            write(answer, response);
        } finally {
            held.release();
        }
    }

    private void write(Answer<?> answer, HttpServletResponse response) throws IOException {
        byte[] text = json.writeValueAsBytes(answer.head());
        int padded = (text.length + 3) / 4 * 4;
        long length = 4L + padded;
        for (byte[] frame : answer.take().frames()) {
            length += 4 + frame.length;
        }
        response.setContentLengthLong(length);
        OutputStream out = response.getOutputStream();
        out.write(number(padded));
        out.write(text);
        for (int i = text.length; i < padded; i++) {
            out.write(' ');
        }
        for (byte[] frame : answer.take().frames()) {
            out.write(number(frame.length));
            out.write(frame);
        }
        out.flush();
    }

    private static byte[] number(int value) {
        return ByteBuffer.allocate(4)
                .order(ByteOrder.LITTLE_ENDIAN)
                .putInt(value)
                .array();
    }
}
