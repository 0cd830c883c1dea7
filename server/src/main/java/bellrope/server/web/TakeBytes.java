package bellrope.server.web;

import bellrope.core.stage.Take;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;

/** Takes on their way to a reader: length of the head (u32), the head, and for each frame its length and its bytes. */
final class TakeBytes {
    private TakeBytes() {}

    static int[] live(Take take) {
        int[] live = new int[take.last() + 1];
        for (int i = 0; i < live.length; i++) {
            live[i] = take.live(i);
        }
        return live;
    }

    static float[] presence(Take take) {
        float[] presence = new float[take.last() + 1];
        for (int i = 0; i < presence.length; i++) {
            presence[i] = take.presence(i);
        }
        return presence;
    }

    /** @param head JSON, which is padded with spaces to a multiple of four */
    static byte[] of(String head, Take take) {
        byte[] text = head.getBytes(StandardCharsets.UTF_8);
        int padded = (text.length + 3) / 4 * 4;
        int size = 4 + padded;
        for (byte[] frame : take.frames()) {
            size += 4 + frame.length;
        }
        ByteBuffer out = ByteBuffer.allocate(size).order(ByteOrder.LITTLE_ENDIAN);
        out.putInt(padded).put(text);
        while (out.position() < 4 + padded) {
            out.put((byte) ' ');
        }
        for (byte[] frame : take.frames()) {
            out.putInt(frame.length).put(frame);
        }
        return out.array();
    }
}
