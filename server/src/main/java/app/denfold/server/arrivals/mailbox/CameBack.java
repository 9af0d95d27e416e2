package app.denfold.server.arrivals.mailbox;

import jakarta.mail.Message;
import jakarta.mail.MessagingException;
import jakarta.mail.internet.InternetHeaders;
import jakarta.mail.internet.MimeMessage;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.eclipse.angus.mail.dsn.DeliveryStatus;
import org.eclipse.angus.mail.dsn.MultipartReport;
import org.jspecify.annotations.Nullable;

/**
 * What became of a mail to somebody, as a mail server reports it (RFC 3464).
 *
 * @param messageId of the mail
 * @param fate whether it arrived, did not and is not tried any more, or is still on its way
 * @param why in the server's words
 */
record CameBack(String messageId, String recipient, Fate fate, String why) {

    enum Fate {
        ARRIVED,
        FAILED,
        /** Delayed, or passed on to where nothing more is reported. */
        UNKNOWN;

        /** By the action of RFC 3464, 2.3.3. */
        static Fate of(String action) {
            return switch (action.toLowerCase(Locale.ROOT)) {
                case "delivered" -> ARRIVED;
                case "failed" -> FAILED;
                default -> UNKNOWN;
            };
        }
    }

    /** Those of a message; null when it is no such report, empty when it does not say of which mail it is. */
    static @Nullable List<CameBack> read(Message message) throws MessagingException, IOException {
        if (!message.isMimeType("multipart/report")
                || !(message.getContent() instanceof MultipartReport report)
                || !(report.getReport() instanceof DeliveryStatus status)) {
            return null;
        }
        MimeMessage returned = report.getReturnedMessage();
        List<CameBack> all = new ArrayList<>();
        for (int i = 0; i < status.getRecipientDSNCount(); i++) {
            InternetHeaders about = status.getRecipientDSN(i);
            if (returned != null && returned.getMessageID() != null) {
                String code = value(about, "Diagnostic-Code");
                all.add(new CameBack(
                        returned.getMessageID(),
                        value(about, "Final-Recipient"),
                        Fate.of(value(about, "Action")),
                        code.isEmpty() ? "status " + value(about, "Status") : code));
            }
        }
        return all;
    }

    /** Without the kind of address or code before it, such as {@code rfc822;}; empty when it is not told. */
    private static String value(InternetHeaders headers, String name) {
        String told = headers.getHeader(name, " ");
        return told == null ? "" : told.substring(told.indexOf(';') + 1).strip().replaceAll("\\s+", " ");
    }
}
