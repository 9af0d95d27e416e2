package app.denfold.server.signing.pen;

import app.denfold.core.signing.PenCode;
import app.denfold.server.access.Actor;
import app.denfold.server.arrivals.receiving.Arrivals;
import app.denfold.server.reading.PaperRead;
import app.denfold.server.reading.ReadPage;
import app.denfold.server.reading.Readings;
import app.denfold.server.signing.asking.RunRequest;
import app.denfold.server.signing.requests.SignatureRequest;
import app.denfold.server.signing.requests.SignatureRequestRepository;
import app.denfold.server.signing.requests.SignatureTurn;
import app.denfold.server.signing.telling.TellSigners;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import org.springframework.modulith.events.ApplicationModuleListener;
import org.springframework.stereotype.Component;

/** A page that was signed with a pen is scanned: it finds its request by the code at its foot. */
@Component
class PenComesBack {

    private final SignatureRequestRepository requests;
    private final Readings readings;
    private final Arrivals arrivals;
    private final RunRequest run;
    private final TellSigners tell;

    PenComesBack(
            SignatureRequestRepository requests,
            Readings readings,
            Arrivals arrivals,
            RunRequest run,
            TellSigners tell) {
        this.requests = requests;
        this.readings = readings;
        this.arrivals = arrivals;
        this.run = run;
        this.tell = tell;
    }

    @ApplicationModuleListener
    void on(PaperRead event) {
        List<PenCode> codes = readings.pages(event.sha256()).stream()
                .map(ReadPage::codes)
                .flatMap(List::stream)
                .flatMap(code -> PenCode.read(code).stream())
                .toList();
        Set<UUID> turns = codes.stream().map(PenCode::turn).collect(Collectors.toSet());
        // a stack with pages of several requests is left to whoever splits it
        if (turns.size() == 1) {
            UUID turnId = turns.iterator().next();
            requests.findOfTurn(turnId)
                    .map(SignatureRequest::id)
                    .flatMap(requests::lock)
                    .ifPresent(request -> take(request, turnId, event.sha256(), codes));
        }
    }

    private void take(SignatureRequest request, UUID turnId, String sha256, List<PenCode> codes) {
        Optional<SignatureTurn> turn =
                request.whoseTurn().stream().filter(t -> t.id().equals(turnId)).findFirst();
        if (turn.isEmpty()) {
            return;
        }
        UUID document = request.papersOf(turn.get()).get(0).documentId();
        Actor by = Actor.system(turn.get().name());
        int taken = arrivals.belongTo(sha256, document, by, "came back signed with a pen, and waits for a look");
        if (taken > 0) {
            turn.get().cameBack(sha256, missing(codes));
            run.note(request, by, "signing-came-back", "signed with a pen and sent back", "");
            tell.whoeverAsked(request, null, turn.get().name() + " has signed on paper. Please look at it");
        }
    }

    /** Which pages did not come back; null when all did. */
    private static @Nullable String missing(List<PenCode> codes) {
        Set<Integer> came = codes.stream().map(PenCode::page).collect(Collectors.toCollection(TreeSet::new));
        List<String> missing = IntStream.rangeClosed(1, codes.get(0).of())
                .filter(page -> !came.contains(page))
                .mapToObj(String::valueOf)
                .toList();
        return missing.isEmpty()
                ? null
                : (missing.size() == 1 ? "Page " : "Pages ") + String.join(", ", missing) + " did not come back.";
    }
}
