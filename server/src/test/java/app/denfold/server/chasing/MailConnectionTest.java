package app.denfold.server.chasing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import jakarta.mail.MessagingException;
import jakarta.mail.internet.MimeMessage;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.PrintStream;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.concurrent.CopyOnWriteArrayList;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.mail.javamail.JavaMailSenderImpl;
import org.springframework.mail.javamail.MimeMessageHelper;

/** Against a mail server that takes a few messages on each connection. */
class MailConnectionTest {

    private static final int MOST = 2;

    private final List<String> taken = new CopyOnWriteArrayList<>();
    private final List<Socket> connections = new CopyOnWriteArrayList<>();
    private final JavaMailSenderImpl mail = new JavaMailSenderImpl();
    private ServerSocket server;

    @BeforeEach
    void serve() throws IOException {
        server = new ServerSocket(0, 50, InetAddress.getLoopbackAddress());
        mail.setHost("127.0.0.1");
        mail.setPort(server.getLocalPort());
        Thread serving = new Thread(() -> {
            try {
                for (; ; ) {
                    Socket one = server.accept();
                    connections.add(one);
                    talk(one);
                }
            } catch (IOException closed) {
                // the test is over
            }
        });
        serving.setDaemon(true);
        serving.start();
    }

    @AfterEach
    void close() throws IOException {
        server.close();
    }

    private void talk(Socket socket) throws IOException {
        try (socket;
                BufferedReader in =
                        new BufferedReader(new InputStreamReader(socket.getInputStream(), StandardCharsets.US_ASCII));
                PrintStream out = new PrintStream(socket.getOutputStream(), true, StandardCharsets.US_ASCII)) {
            out.print("220 here\r\n");
            int count = 0;
            for (String line = in.readLine(); line != null; line = in.readLine()) {
                if (line.startsWith("MAIL") && count == MOST) {
                    out.print("421 that is enough for now\r\n");
                    return;
                }
                if (line.startsWith("RCPT") && line.contains("nobody")) {
                    out.print("550 there is no such box\r\n");
                } else if (line.equals("DATA")) {
                    out.print("354 go on\r\n");
                    taken.add(message(in));
                    count++;
                    out.print("250 taken\r\n");
                } else if (line.equals("QUIT")) {
                    out.print("221 bye\r\n");
                    return;
                } else {
                    out.print("250 ok\r\n");
                }
            }
        }
    }

    private static String message(BufferedReader in) throws IOException {
        StringBuilder message = new StringBuilder();
        for (String line = in.readLine(); line != null && !line.equals("."); line = in.readLine()) {
            message.append(line).append('\n');
        }
        return message.toString();
    }

    private MimeMessage message(String to, String number) throws MessagingException {
        MimeMessage message = mail.createMimeMessage();
        MimeMessageHelper helper = new MimeMessageHelper(message, "UTF-8");
        helper.setFrom("papers@oakhollin.example");
        helper.setTo(to);
        helper.setSubject("Please sign: Contract");
        helper.setText("Dear Tamsin,");
        message.setHeader("Message-ID", number);
        return message;
    }

    @Test
    void whenTheServerTakesNoMoreOnAConnectionTheNextMessageGoesOnAnother() throws Exception {
        try (MailConnection connection = new MailConnection(mail)) {
            for (int i = 0; i < 5; i++) {
                connection.send(message("tamsin@post.example", "<" + i + "@oakhollin.example>"));
            }
        }
        assertThat(taken).hasSize(5);
        for (int i = 0; i < 5; i++) {
            assertThat(taken.get(i)).contains("Message-ID: <" + i + "@oakhollin.example>");
        }
        assertThat(connections).hasSize(3);
    }

    @Test
    void anAddressThatThereIsNotHoldsUpNobodyElse() throws Exception {
        try (MailConnection connection = new MailConnection(mail)) {
            assertThatThrownBy(() -> connection.send(message("nobody@post.example", "<a@oakhollin.example>")))
                    .isInstanceOf(MessagingException.class);
            connection.send(message("tamsin@post.example", "<b@oakhollin.example>"));
        }
        assertThat(taken).hasSize(1);
        assertThat(connections).hasSize(1);
    }

    @Test
    void aServerThatIsAwayIsToldOfEachMessage() throws Exception {
        server.close();
        try (MailConnection connection = new MailConnection(mail)) {
            for (int i = 0; i < 2; i++) {
                MimeMessage message = message("tamsin@post.example", "<" + i + "@oakhollin.example>");
                assertThatThrownBy(() -> connection.send(message)).isInstanceOf(MessagingException.class);
            }
        }
        assertThat(taken).isEmpty();
    }
}
