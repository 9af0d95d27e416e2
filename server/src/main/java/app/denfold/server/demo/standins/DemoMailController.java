package app.denfold.server.demo.standins;

import app.denfold.server.access.Viewer;
import java.util.List;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;

@RestController
class DemoMailController {

    private final ObjectProvider<DemoMail> mail;

    DemoMailController(ObjectProvider<DemoMail> mail) {
        this.mail = mail;
    }

    /** @param running false outside the demo */
    record MailboxAnswer(boolean running, List<DemoMail.DemoMessage> mails) {}

    /** What the demo's mail stand-in received, newest first. */
    @GetMapping("/api/demo/mail")
    MailboxAnswer mails(Viewer viewer) {
        viewer.requireAdministrator();
        DemoMail running = mail.getIfAvailable();
        return running == null ? new MailboxAnswer(false, List.of()) : new MailboxAnswer(true, running.received());
    }
}
