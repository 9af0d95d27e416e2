package app.denfold.server.leaving.usual;

import app.denfold.server.access.Viewer;
import app.denfold.server.audit.AuditEntry;
import app.denfold.server.audit.AuditTrail;
import app.denfold.server.leaving.Reader;
import app.denfold.server.problems.Refusal;
import jakarta.validation.constraints.NotNull;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Keeps what readers of each kind usually get. Covers are not among it: they are closed unless somebody opens them knowingly. */
@Service
class UsualCopies {

    private final UsualCopyRepository usual;
    private final AuditTrail trail;

    UsualCopies(UsualCopyRepository usual, AuditTrail trail) {
        this.usual = usual;
        this.trail = trail;
    }

    /** @param marks whether our highlights, notes and the like go with it @param foot whether a line says whose copy it is */
    record Usual(@NotNull Reader.Kind kind, boolean marks, boolean foot) {}

    @Transactional(readOnly = true)
    public List<Usual> all() {
        return usual.findAll().stream()
                .map(u -> new Usual(u.readerKind(), u.marks(), u.foot()))
                .sorted(Comparator.comparing(Usual::kind))
                .toList();
    }

    /** Of kinds that are not named it stays as it is. @throws Refusal when the viewer is no administrator */
    @Transactional
    public void change(Viewer viewer, List<Usual> to) {
        viewer.requireAdministrator();
        for (Usual one : to) {
            usual.findById(one.kind())
                    .orElseThrow(() -> Refusal.notFound("kind of reader"))
                    .change(one.marks(), one.foot());
        }
        trail.record(AuditEntry.general(
                viewer.actor(),
                "set-up",
                "set what usually goes with copies: "
                        + to.stream().map(UsualCopies::words).collect(Collectors.joining("; "))));
    }

    private static String words(Usual one) {
        return one.kind().name().toLowerCase(Locale.ROOT)
                + (one.marks() ? " with marks" : " without marks")
                + (one.foot() ? ", with a line at the foot" : ", without a line at the foot");
    }
}
