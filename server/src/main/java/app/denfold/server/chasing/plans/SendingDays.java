package app.denfold.server.chasing.plans;

import app.denfold.server.access.Viewer;
import app.denfold.server.audit.AuditEntry;
import app.denfold.server.audit.AuditTrail;
import app.denfold.server.problems.Refusal;
import java.time.LocalDate;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Keeps the days and hours at which notices of plans go out, and until which day they did. */
@Service
public class SendingDays {

    private final SendingRulesRepository rules;
    private final AuditTrail trail;

    SendingDays(SendingRulesRepository rules, AuditTrail trail) {
        this.rules = rules;
        this.trail = trail;
    }

    /** @param changes how often they were changed, which a change of them has to name */
    record SendingAnswer(int changes, SendingDetails rules) {}

    @Transactional(readOnly = true)
    public SendingDetails now() {
        return kept().details();
    }

    @Transactional(readOnly = true)
    SendingAnswer answer() {
        return new SendingAnswer(kept().changes(), kept().details());
    }

    /** @throws Refusal when they make no sense, or somebody else changed them since {@code changes} */
    @Transactional
    public void change(Viewer viewer, int changes, SendingDetails to) {
        viewer.requireAdministrator();
        KeptSendingRules kept = rules.lock();
        if (kept.changes() != changes) {
            throw Refusal.changedMeanwhile("these rules");
        }
        kept.change(to.checked());
        trail.record(AuditEntry.general(viewer.actor(), "sending-rules", "changed when notices go out"));
    }

    /** Whether what the plans tell on that day is on its way. */
    @Transactional(readOnly = true)
    public boolean ranOn(LocalDate day) {
        LocalDate last = kept().lastRunOn();
        return last != null && !last.isBefore(day);
    }

    @Transactional
    public void noteRun(LocalDate day) {
        rules.lock().ranOn(day);
    }

    private KeptSendingRules kept() {
        return rules.findById(true).orElseThrow();
    }
}
