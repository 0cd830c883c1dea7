package bellrope.link;

import java.io.DataInputStream;
import java.io.DataOutputStream;
import java.io.EOFException;
import java.io.IOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.net.SocketException;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.Base64;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.LinkedBlockingQueue;

/** As much of a WebSocket server (RFC 6455) as a client is tested with: what a test says, and what it hears. */
final class ScriptedServer implements AutoCloseable {
    private static final int TEXT = 1;

    final BlockingQueue<String> heard = new LinkedBlockingQueue<>();
    private final ServerSocket server;
    private volatile Socket socket;

    ScriptedServer() throws IOException {
        server = new ServerSocket(0, 5, InetAddress.getLoopbackAddress());
        Thread thread = new Thread(this::serve, "scripted server");
        thread.setDaemon(true);
        thread.start();
    }

    URI address() {
        return URI.create("ws://localhost:" + server.getLocalPort() + "/link");
    }

    private void serve() {
        while (!server.isClosed()) {
            try (Socket one = server.accept()) {
                DataInputStream in = new DataInputStream(one.getInputStream());
                greet(one, in);
                socket = one;
                listen(in);
            } catch (EOFException | SocketException e) {
                // The client went, or the test let it go.
            } catch (IOException | NoSuchAlgorithmException e) {
                throw new IllegalStateException(e);
            }
        }
    }

    private static void greet(Socket one, DataInputStream in) throws IOException, NoSuchAlgorithmException {
        String key = "";
        for (String line = line(in); !line.isEmpty(); line = line(in)) {
            if (line.toLowerCase(java.util.Locale.ROOT).startsWith("sec-websocket-key:")) {
                key = line.substring(line.indexOf(':') + 1).strip();
            }
        }
        byte[] accepted = MessageDigest.getInstance("SHA-1")
                .digest((key + "258EAFA5-E914-47DA-95CA-C5AB0DC85B11").getBytes(StandardCharsets.US_ASCII));
        one.getOutputStream()
                .write(("HTTP/1.1 101 Switching Protocols\r\nUpgrade: websocket\r\nConnection: Upgrade\r\n"
                                + "Sec-WebSocket-Accept: " + Base64.getEncoder().encodeToString(accepted) + "\r\n\r\n")
                        .getBytes(StandardCharsets.US_ASCII));
    }

    private static String line(DataInputStream in) throws IOException {
        StringBuilder line = new StringBuilder();
        for (int c = in.readUnsignedByte(); c != '\n'; c = in.readUnsignedByte()) {
            if (c != '\r') {
                line.append((char) c);
            }
        }
        return line.toString();
    }

    private void listen(DataInputStream in) throws IOException {
        StringBuilder text = new StringBuilder();
        while (true) {
            int first = in.readUnsignedByte();
            int second = in.readUnsignedByte();
            int length = second & 127;
            if (length == 126) {
                length = in.readUnsignedShort();
            } else if (length == 127) {
                length = (int) in.readLong();
            }
            byte[] mask = new byte[4];
            in.readFully(mask);
            byte[] bytes = new byte[length];
            in.readFully(bytes);
            for (int i = 0; i < length; i++) {
                bytes[i] ^= mask[i & 3];
            }
            if ((first & 15) <= TEXT) {
                text.append(new String(bytes, StandardCharsets.UTF_8));
                if ((first & 128) != 0) {
                    heard.add(text.toString());
                    text.setLength(0);
                }
            }
        }
    }

    void say(String text) throws IOException {
        byte[] bytes = text.getBytes(StandardCharsets.UTF_8);
        DataOutputStream out = new DataOutputStream(socket.getOutputStream());
        out.writeByte(128 | TEXT);
        if (bytes.length < 126) {
            out.writeByte(bytes.length);
        } else if (bytes.length < 1 << 16) {
            out.writeByte(126);
            out.writeShort(bytes.length);
        } else {
            out.writeByte(127);
            out.writeLong(bytes.length);
        }
        out.write(bytes);
        out.flush();
    }

    /** Loses the socket of the client; it may come again. */
    void lose() throws IOException {
        socket.close();
    }

    @Override
    public void close() throws IOException {
        server.close();
        if (socket != null) {
            socket.close();
        }
    }
}
