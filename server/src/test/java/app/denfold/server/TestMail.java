package app.denfold.server;

import static app.denfold.server.Patience.await;

import com.icegreen.greenmail.util.GreenMail;
import com.icegreen.greenmail.util.ServerSetup;
import jakarta.mail.MessagingException;
import jakarta.mail.Multipart;
import jakarta.mail.Part;
import jakarta.mail.internet.MimeMessage;
import java.io.IOException;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** A mail server for all tests of one run; each test uses addresses of its own. */
public final class TestMail {

    private static final GreenMail SERVER = start();
    public static final int PORT = SERVER.getSmtp().getPort();
    private static final Pattern LINK = Pattern.compile("/invitation/([A-Za-z0-9_-]+)");

    private static final Pattern COPIES_LINK = Pattern.compile("/copies/([A-Za-z0-9_-]+)");
    private static final Pattern SIGNING_LINK = Pattern.compile("/sign/([A-Za-z0-9_-]+)");
    private static final Pattern CODE = Pattern.compile(" {2}Code (\\d{3} \\d{3})");

    private TestMail() {}

    private static GreenMail start() {
        GreenMail server = new GreenMail(new ServerSetup(0, "127.0.0.1", ServerSetup.PROTOCOL_SMTP));
        server.start();
        return server;
    }

    /** Texts of the mails to an address, oldest first. */
    public static List<String> to(String address) {
        return messagesTo(address).stream().map(TestMail::text).toList();
    }

    /** The mails to an address, oldest first. */
    public static List<MimeMessage> messagesTo(String address) {
        return Arrays.stream(SERVER.getReceivedMessages())
                .filter(m -> recipients(m).contains(address))
                .toList();
    }

    /** The secret of the newest link that went to an address, waiting for the mail if need be. */
    public static String linkTo(String address) {
        return await().until(() -> newestLink(address), Optional::isPresent).orElseThrow();
    }

    /** The secret of the newest link for signing that went to an address. */
    public static String signingLinkTo(String address) {
        return await().until(() -> newest(SIGNING_LINK, address), Optional::isPresent)
                .orElseThrow();
    }

    /** The secret of the newest link to copies that went to an address. */
    public static String copiesLinkTo(String address) {
        return await().until(() -> newest(COPIES_LINK, address), Optional::isPresent)
                .orElseThrow();
    }

    /** The newest code that went to an address. */
    public static String codeTo(String address) {
        return await().until(() -> newest(CODE, address), Optional::isPresent)
                .orElseThrow()
                .replace(" ", "");
    }

    private static Optional<String> newest(Pattern what, String address) {
        return to(address).stream()
                .map(what::matcher)
                .filter(Matcher::find)
                .map(found -> found.group(1))
                .reduce((older, newer) -> newer);
    }

    /** Waits until so many mails went to an address. */
    public static void waitFor(String address, int count) {
        await().until(() -> messagesTo(address).size() >= count);
    }

    private static Optional<String> newestLink(String address) {
        List<String> mails = to(address);
        Matcher matcher = LINK.matcher(mails.isEmpty() ? "" : mails.get(mails.size() - 1));
        return matcher.find() ? Optional.of(matcher.group(1)) : Optional.empty();
    }

    private static String recipients(MimeMessage message) {
        try {
            return Arrays.toString(message.getAllRecipients());
        } catch (MessagingException unreadable) {
            throw new IllegalStateException(unreadable);
        }
    }

    /** The first part that is plain text, without which no mail goes out. */
    private static String plain(Part part) throws MessagingException, IOException {
        if (!(part.getContent() instanceof Multipart parts)) {
            return part.isMimeType("text/plain") ? String.valueOf(part.getContent()) : "";
        }
        for (int i = 0; i < parts.getCount(); i++) {
            String found = plain(parts.getBodyPart(i));
            if (!found.isEmpty()) {
                return found;
            }
        }
        return "";
    }

    private static String text(MimeMessage message) {
        try {
            return plain(message);
        } catch (MessagingException | IOException unreadable) {
            throw new IllegalStateException(unreadable);
        }
    }
}
