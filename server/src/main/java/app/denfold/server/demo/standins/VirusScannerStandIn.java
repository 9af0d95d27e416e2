package app.denfold.server.demo.standins;

import java.io.ByteArrayOutputStream;
import java.io.DataInputStream;
import java.io.IOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.nio.charset.StandardCharsets;

/**
 * Answers like a virus scanning daemon on a port of this machine. It finds one thing only: the harmless line that all
 * scanners agree to report, so that they can be tried out.
 */
public final class VirusScannerStandIn implements AutoCloseable {

    /** In two parts, so that no scanner finds it here. */
    public static final String TRY_OUT = "X5O!P%@AP[4\\PZX54(P^)7CC)7}$EICAR-" + "STANDARD-ANTIVIRUS-TEST-FILE!$H+H*";

    private static final int COMMAND = 10;

    private final ServerSocket socket;

    /** @param port 0 for any free one */
    public VirusScannerStandIn(int port) throws IOException {
        this.socket = new ServerSocket(port, 20, InetAddress.getLoopbackAddress());
        Thread answering = new Thread(this::answerAll, "virus-scanner-stand-in");
        answering.setDaemon(true);
        answering.start();
    }

    public int port() {
        return socket.getLocalPort();
    }

    private void answerAll() {
        while (!socket.isClosed()) {
            try (Socket caller = socket.accept()) {
                answer(caller);
            } catch (IOException gone) {
                // the next caller is answered all the same
            }
        }
    }

    private static void answer(Socket caller) throws IOException {
        DataInputStream in = new DataInputStream(caller.getInputStream());
        in.readNBytes(COMMAND);
        ByteArrayOutputStream all = new ByteArrayOutputStream();
        for (int length = in.readInt(); length > 0; length = in.readInt()) {
            all.write(in.readNBytes(length));
        }
        String found = all.toString(StandardCharsets.ISO_8859_1).contains(TRY_OUT) ? "Try-Out-Line FOUND" : "OK";
        caller.getOutputStream().write(("stream: " + found + "\0").getBytes(StandardCharsets.US_ASCII));
    }

    @Override
    public void close() throws IOException {
        socket.close();
    }
}
