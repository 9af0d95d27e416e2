package app.denfold.server.documents;

import app.denfold.server.access.Viewer;
import app.denfold.server.access.accounts.Accounts;
import app.denfold.server.catalog.DocumentTypes;
import app.denfold.server.documents.FilingDetails.SignedOnPaper;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.problems.Refusal;
import java.time.LocalDate;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** Whether what is said of a paper can be. */
@Component
public class FilingCheck {

    private static final LocalDate EARLIEST = LocalDate.of(1900, 1, 1);
    private static final int FARTHEST_YEARS = 60;

    private final PracticeCalendar calendar;
    private final Accounts accounts;

    FilingCheck(PracticeCalendar calendar, Accounts accounts) {
        this.calendar = calendar;
        this.accounts = accounts;
    }

    /** @throws Refusal at the first day that cannot be, or field that the type does not have */
    public void check(FilingDetails details, DocumentTypes types) {
        for (String name : details.fields().keySet()) {
            if (!types.hasField(name)) {
                throw Refusal.invalid(
                        "fields." + name,
                        String.join(" and ", types.labels()) + " has no field called “" + name + "”.");
            }
        }
        if (details.reviewer() != null) {
            checkReviewer(details.reviewer(), types);
        }
        LocalDate today = calendar.today();
        if (details.signedOnPaper() != null) {
            checkSignatures(details.signedOnPaper(), types, today);
        }
        requireAfter1900("documentDate", details.documentDate(), today);
        requireAfter1900("effectiveDate", details.effectiveDate(), today);
        requireAfter1900("statedExpiry", details.statedExpiry(), today);
        if (details.documentDate().isAfter(today)) {
            throw Refusal.invalid(
                    "documentDate",
                    "The paper cannot be dated after today. If it takes effect later, say so in “Takes effect”.");
        }
        LocalDate starts = details.effectiveDate() == null ? details.documentDate() : details.effectiveDate();
        if (details.statedExpiry() != null && details.statedExpiry().isBefore(starts)) {
            throw Refusal.invalid(
                    "statedExpiry",
                    "The paper would expire on " + PracticeCalendar.words(details.statedExpiry())
                            + ", before it starts on " + PracticeCalendar.words(starts) + ".");
        }
    }

    private void checkReviewer(UUID reviewer, DocumentTypes types) {
        if (!types.needsReview()) {
            throw Refusal.invalid("reviewer", String.join(" and ", types.labels()) + " asks for no review.");
        }
        Viewer colleague = accounts.viewer(reviewer)
                .filter(v -> v.role().worksHere() && v.mayChange())
                .orElseThrow(() -> Refusal.invalid("reviewer", "Only colleagues who may change files review papers."));
        if (!colleague.maySee(types.codes())) {
            throw Refusal.invalid("reviewer", colleague.name() + " may not see papers of this type.");
        }
    }

    private static void checkSignatures(List<SignedOnPaper> signatures, DocumentTypes types, LocalDate today) {
        Set<String> roles = new HashSet<>();
        for (int i = 0; i < signatures.size(); i++) {
            SignedOnPaper signature = signatures.get(i);
            String field = "signedOnPaper." + i + ".";
            boolean isAsked = types.signers().stream().anyMatch(s -> s.role().equals(signature.role()));
            if (!isAsked || !roles.add(signature.role())) {
                throw Refusal.invalid(
                        field + "role",
                        String.join(" and ", types.labels()) + " asks for no " + (isAsked ? "second " : "")
                                + "signature by “" + signature.role() + "”.");
            }
            requireAfter1900(field + "signedOn", signature.signedOn(), today);
            if (signature.signedOn().isAfter(today)) {
                throw Refusal.invalid(field + "signedOn", "The paper cannot have been signed after today.");
            }
        }
    }

    private static void requireAfter1900(String field, @Nullable LocalDate day, LocalDate today) {
        if (day != null && (day.isBefore(EARLIEST) || day.isAfter(today.plusYears(FARTHEST_YEARS)))) {
            throw Refusal.invalid(field, "The year " + day.getYear() + " cannot be meant. Check the date.");
        }
    }
}
