package app.denfold.server.signing.requests;

import static org.assertj.core.api.Assertions.assertThat;

import app.denfold.core.signing.Reminders;
import app.denfold.core.signing.RequestState;
import app.denfold.core.signing.SigningOrder.Hindrance;
import app.denfold.core.signing.SigningTurn.Outcome;
import app.denfold.core.signing.SigningTurn.Task;
import app.denfold.server.access.Actor;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.Test;

/** How a request goes on with each of its turns. */
class SignatureRequestTest {

    private static final Instant NOW = Instant.parse("2026-11-28T09:00:00Z");
    private static final LocalDate TODAY = LocalDate.of(2026, 11, 28);
    private static final UUID CONTRACT = new UUID(1, 1);
    private static final UUID CONSENT = new UUID(1, 2);
    private static final UUID BRAM = new UUID(2, 1);

    private final SignatureTurn looks = new SignatureTurn(0, Task.APPROVE, "approver", "approver", BRAM, "Bram", null);
    private final SignatureTurn tamsin =
            new SignatureTurn(1, Task.SIGN, "employee", "employee", null, "Tamsin", "tamsin@post.example");
    private final SignatureTurn bram = new SignatureTurn(2, Task.SIGN, "director", "director", BRAM, "Bram", null);

    private static Hand hand(String name) {
        return new Hand(Actor.system(name), null, null, KnownBy.LINK_AND_CODE, null, "t@post.example");
    }

    private static Hand deputy(String name, String forName) {
        return new Hand(new Actor(BRAM, name), BRAM, forName, KnownBy.ACCOUNT, "Ottilie", null);
    }

    private static SignField field(SignatureTurn turn, UUID paper) {
        return new SignField(paper, turn.id(), SignField.Kind.SIGNATURE, 1, 0.1, 0.8, 0.3, null, true, null, null);
    }

    private SignatureRequest request(boolean endsAtDue) {
        return new SignatureRequest(
                false,
                List.of(new RequestPaper(CONTRACT, "a", true, true), new RequestPaper(CONSENT, "b", true, true)),
                List.of(looks, tamsin, bram),
                List.of(field(tamsin, CONTRACT), field(tamsin, CONSENT), field(bram, CONTRACT)),
                new Asked("Please", TODAY, endsAtDue, new Reminders(3, 2), true),
                new Actor(BRAM, "Bram"),
                NOW);
    }

    @Test
    void oneAfterTheOtherUntilAllHaveSigned() {
        SignatureRequest request = request(false);
        assertThat(request.whoseTurn()).containsExactly(looks);
        assertThat(request.hindrance(tamsin, TODAY)).contains(Hindrance.NOT_YET);
        request.take(looks, hand("Bram"), null, null, NOW);
        assertThat(looks.isSigned()).as("looking through is no signature").isFalse();
        assertThat(request.whoseTurn()).containsExactly(tamsin);
        assertThat(request.hindrance(tamsin, TODAY.plusDays(9)))
                .as("it goes on")
                .isEmpty();
        request.take(tamsin, hand("Tamsin"), "TYPED", "{}", NOW.plusSeconds(1));
        assertThat(request.state()).isEqualTo(RequestState.OPEN);
        assertThat(tamsin.isSigned()).isTrue();
        assertThat(tamsin.method()).isEqualTo("TYPED");
        assertThat(tamsin.mark()).isEqualTo("{}");
        assertThat(tamsin.knownAddress()).isEqualTo("t@post.example");
        request.take(bram, deputy("Dilan", "Bram"), "PEN", "{}", NOW.plusSeconds(2));
        assertThat(request.state()).isEqualTo(RequestState.COMPLETE);
        assertThat(request.endedBy()).isEqualTo("Dilan");
        assertThat(request.endedAt()).isEqualTo(NOW.plusSeconds(2));
        assertThat(bram.signedName()).isEqualTo("Dilan for Bram");
        assertThat(bram.sessionOf()).isEqualTo("Ottilie");
        assertThat(tamsin.signedName()).isEqualTo("Tamsin");
        assertThat(request.whoseTurn()).isEmpty();
        assertThat(request.signedOn(CONTRACT)).containsExactly(tamsin, bram);
        assertThat(request.signedOn(CONSENT)).containsExactly(tamsin);
        assertThat(request.papers()).allMatch(p -> !p.waits() && !p.sealed());
        request.sealed(CONTRACT);
        assertThat(request.paper(CONTRACT).orElseThrow().sealed()).isTrue();
        assertThat(request.paper(CONSENT).orElseThrow().sealed()).isFalse();
    }

    @Test
    void whoSaysNoEndsItAndAnApproverSendsItBack() {
        SignatureRequest sentBack = request(false);
        sentBack.refuse(looks, hand("Bram"), "The hours are wrong.", NOW);
        assertThat(sentBack.state()).isEqualTo(RequestState.SENT_BACK);
        assertThat(looks.outcome()).isEqualTo(Outcome.SENT_BACK);
        assertThat(looks.reason()).isEqualTo("The hours are wrong.");
        assertThat(sentBack.endReason()).isEqualTo("The hours are wrong.");
        assertThat(sentBack.papers())
                .as("nobody signed: nothing is left to be sealed")
                .allMatch(RequestPaper::sealed);
        SignatureTurn first = new SignatureTurn(0, Task.SIGN, "employee", "employee", null, "Edie", null);
        SignatureRequest declined = new SignatureRequest(
                true,
                List.of(new RequestPaper(CONTRACT, "a", true, true)),
                List.of(first),
                List.of(field(first, CONTRACT)),
                Asked.AT_DESK,
                Actor.system("Ottilie"),
                NOW);
        declined.refuse(first, hand("Edie"), "No.", NOW);
        assertThat(declined.state()).isEqualTo(RequestState.DECLINED);
        assertThat(declined.isAtDesk()).isTrue();
        assertThat(declined.hindrance(first, TODAY)).contains(Hindrance.DONE_ALREADY);
    }

    @Test
    void afterItsLastDayNobodySignsWhereItEndsThen() {
        SignatureRequest request = request(true);
        assertThat(request.lastDay()).isEqualTo(TODAY);
        assertThat(request.hindrance(looks, TODAY)).isEmpty();
        assertThat(request.hindrance(looks, TODAY.plusDays(1))).contains(Hindrance.PAST_DUE);
        request.due(TODAY.plusDays(3));
        assertThat(request.hindrance(looks, TODAY.plusDays(1))).isEmpty();
        assertThat(request(false).lastDay()).isNull();
        request.end(RequestState.WITHDRAWN, "Bram", null, NOW);
        assertThat(request.hindrance(looks, TODAY)).contains(Hindrance.ENDED);
        request.replacedBy(CONSENT);
        assertThat(request.replacedBy()).isEqualTo(CONSENT);
    }

    @Test
    void anApproverLooksThroughAllPapersAndASignerThroughThoseThatHeSigns() {
        SignatureRequest request = request(false);
        assertThat(request.papersOf(looks)).hasSize(2);
        assertThat(request.papersOf(tamsin)).hasSize(2);
        assertThat(request.papersOf(bram)).extracting(RequestPaper::documentId).containsExactly(CONTRACT);
        assertThat(request.forget(CONSENT)).isFalse();
        assertThat(request.fields()).noneMatch(f -> f.documentId().equals(CONSENT));
        assertThat(request.papersOf(tamsin)).hasSize(1);
        assertThat(request.forget(CONTRACT)).isTrue();
        assertThat(request.fields()).isEmpty();
    }

    @Test
    void whatWasFilledInIsKeptAndTheWordsOfWhoeverAskedAreToo() {
        SignatureRequest request = request(true);
        request.fill(f -> f.turnId().equals(tamsin.id()) ? f.filled("Stables") : f);
        assertThat(request.fields()).extracting(SignField::value).containsExactly("Stables", "Stables", null);
        assertThat(request.asked()).isEqualTo(new Asked("Please", TODAY, true, new Reminders(3, 2), true));
        assertThat(request.asker()).isEqualTo(new Actor(BRAM, "Bram"));
        assertThat(request.askedAt()).isEqualTo(NOW);
        assertThat(request.turn(bram.id())).contains(bram);
        assertThat(request.turn(CONTRACT)).isEmpty();
        assertThat(request.id()).isNotEqualTo(request(true).id());
    }

    @Test
    void whoeverTakesItOverHasBeenToldNothing() {
        tamsin.told(NOW);
        tamsin.writtenTo(new UUID(9, 9));
        tamsin.opened(NOW);
        tamsin.opened(NOW.plusSeconds(60));
        assertThat(tamsin.openedAt()).as("the first time").isEqualTo(NOW);
        tamsin.reminded(NOW);
        assertThat(tamsin.reminders()).isEqualTo(1);
        tamsin.goesTo(null, "Ilse", null, "Tamsin");
        assertThat(tamsin.name()).isEqualTo("Ilse");
        assertThat(tamsin.address()).isNull();
        assertThat(tamsin.passedOnBy()).isEqualTo("Tamsin");
        assertThat(tamsin.toldAt()).isNull();
        assertThat(tamsin.noticeId()).isNull();
        assertThat(tamsin.openedAt()).isNull();
        assertThat(tamsin.remindedAt()).isNull();
        assertThat(tamsin.reminders()).isZero();
    }

    @Test
    void whatCameBackOnPaperWaitsForALook() {
        tamsin.cameBack("scan", "Page 2 did not come back.");
        assertThat(tamsin.outcome()).isEqualTo(Outcome.TO_CONFIRM);
        assertThat(tamsin.scanSha256()).isEqualTo("scan");
        assertThat(tamsin.scanWords()).isEqualTo("Page 2 did not come back.");
        assertThat(tamsin.isSigned()).isFalse();
        tamsin.notIt();
        assertThat(tamsin.outcome()).isEqualTo(Outcome.OPEN);
        assertThat(tamsin.scanSha256()).isNull();
        assertThat(tamsin.scanWords()).isNull();
    }
}
