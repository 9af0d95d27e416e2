package app.denfold.core.receiving;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.denfold.core.filing.DocumentState;
import app.denfold.core.people.RelationKind;
import app.denfold.core.receiving.Held.Reached;
import app.denfold.core.receiving.PaperFacts.Waiting;
import app.denfold.core.receiving.PaperStanding.Side;
import app.denfold.core.receiving.PaperStanding.Stage;
import java.time.LocalDate;
import java.util.List;
import org.junit.jupiter.api.Test;

class PaperStandingTest {

    private static final LocalDate CAME = LocalDate.of(2026, 3, 1);
    private static final LocalDate LATER = LocalDate.of(2026, 3, 9);
    private static final LocalDate LAST = LocalDate.of(2026, 3, 20);

    private DocumentState state = DocumentState.FILED;
    private LocalDate decidedOn;
    private LocalDate signedOn;
    private boolean fromOutside;
    private List<String> unsigned = List.of();
    private List<Waiting> asked = List.of();
    private List<Waiting> takenAlong = List.of();
    private List<MustHave> receivers = List.of();
    private boolean wantsCheck;
    private LocalDate checkedOn;

    private PaperFacts facts() {
        return new PaperFacts(
                state,
                CAME,
                decidedOn,
                signedOn,
                fromOutside,
                unsigned,
                asked,
                takenAlong,
                List.of("Noor Haddad"),
                receivers,
                wantsCheck,
                checkedOn);
    }

    private PaperStanding standing() {
        return PaperStanding.of(facts()).orElseThrow();
    }

    private static Held held(String name, Reached reached, LocalDate on) {
        return new Held(name, name + "@oakhollin.example", on, reached);
    }

    private static MustHave insurer(Held... given) {
        return MustHave.of("insurer", "Larkmoor Mutual", "claims@larkmoor.example", List.of(given));
    }

    @Test
    void aPaperThatNobodyMustHaveIsFiledOnceItIsComplete() {
        decidedOn = LATER;
        assertThat(standing().stage()).isEqualTo(Stage.FILED);
        assertThat(standing().waitsFor()).isNull();
        assertThat(standing().since()).isEqualTo(LATER);
        assertThat(PaperStanding.lacking(facts())).isEmpty();
    }

    @Test
    void whatWasEnteredInErrorStandsNowhere() {
        state = DocumentState.ENTERED_IN_ERROR;
        assertThat(PaperStanding.of(facts())).isEmpty();
        assertThat(PaperStanding.lacking(facts())).isEmpty();
    }

    @Test
    void anAwaitedPaperIsWithOthersSinceItWasAnnounced() {
        state = DocumentState.AWAITED;
        assertThat(standing().stage()).isEqualTo(Stage.WITH_OTHERS);
        assertThat(standing().waitsFor()).isEqualTo(Side.OTHERS);
        assertThat(standing().since()).isEqualTo(CAME);
    }

    @Test
    void whatWasSentBackIsCorrectedByWhoeverBroughtIt() {
        state = DocumentState.SENT_BACK;
        decidedOn = LATER;
        assertThat(standing().stage()).isEqualTo(Stage.TO_CORRECT);
        assertThat(standing().waitsFor()).isEqualTo(Side.US);
        assertThat(standing().since()).isEqualTo(LATER);
        fromOutside = true;
        assertThat(standing().waitsFor()).isEqualTo(Side.OTHERS);
    }

    @Test
    void untilSomebodyIsAskedToSignItIsUsItWaitsFor() {
        state = DocumentState.UNSIGNED;
        unsigned = List.of("guardian", "director");
        assertThat(standing().waitsFor()).isEqualTo(Side.US);
        assertThat(standing().names()).containsExactly("guardian", "director");
        assertThat(standing().since()).isEqualTo(CAME);
        signedOn = LATER;
        assertThat(standing().since()).isEqualTo(LATER);
        signedOn = CAME.minusDays(30);
        assertThat(standing().since()).isEqualTo(CAME);
    }

    @Test
    void whoWasAskedToSignIsNamedSinceTheFirstOfThemWas() {
        state = DocumentState.UNSIGNED;
        unsigned = List.of("guardian", "director");
        takenAlong = List.of(new Waiting("Ruth Korhola", CAME));
        asked = List.of(new Waiting("Otto Brandl", LAST), new Waiting("Ruth Korhola", LATER));
        assertThat(standing().stage()).isEqualTo(Stage.UNSIGNED);
        assertThat(standing().waitsFor()).isEqualTo(Side.SIGNER);
        assertThat(standing().names()).containsExactly("Ruth Korhola", "Otto Brandl");
        assertThat(standing().since()).isEqualTo(LATER);
    }

    @Test
    void aCopyWithSomebodyWhoSignsIsWithThemSinceItWasGiven() {
        state = DocumentState.UNSIGNED;
        takenAlong = List.of(new Waiting("Ruth Korhola", LATER));
        assertThat(standing().stage()).isEqualTo(Stage.WITH_OTHERS);
        assertThat(standing().waitsFor()).isEqualTo(Side.OTHERS);
        assertThat(standing().since()).isEqualTo(LATER);
    }

    @Test
    void reviewWaitsForThoseWhoReview() {
        state = DocumentState.IN_REVIEW;
        wantsCheck = true;
        assertThat(standing().stage()).isEqualTo(Stage.IN_REVIEW);
        assertThat(standing().names()).containsExactly("Noor Haddad");
        assertThat(standing().wantsCheck()).as("not before it is complete").isFalse();
        assertThat(PaperStanding.lacking(facts())).isEmpty();
    }

    @Test
    void completeItWaitsForThoseWhoMustHaveItSinceTheLastThingWasDoneAboutIt() {
        signedOn = LATER;
        decidedOn = CAME.minusDays(1);
        receivers = List.of(insurer(), MustHave.unknown("guardian"));
        assertThat(standing().stage()).isEqualTo(Stage.COMPLETE);
        assertThat(standing().waitsFor()).isEqualTo(Side.RECEIVER);
        assertThat(standing().names()).containsExactly("Larkmoor Mutual", "guardian");
        assertThat(standing().since()).isEqualTo(LATER);
        assertThat(PaperStanding.lacking(facts())).isEqualTo("not sent to insurer and guardian");
    }

    @Test
    void whoWasSentItIsCountedAndWhoHasItNoLongerWaitedFor() {
        receivers = List.of(insurer(held("Larkmoor Mutual", Reached.HAS, LATER)), MustHave.unknown("guardian"));
        assertThat(standing().stage()).isEqualTo(Stage.SENT);
        assertThat(standing().sent()).isEqualTo(1);
        assertThat(standing().receivers()).isEqualTo(2);
        assertThat(standing().names()).containsExactly("guardian");
        assertThat(PaperStanding.lacking(facts())).isEqualTo("not sent to guardian");
    }

    @Test
    void aLinkThatNobodyOpenedIsSentAndStillWaitedFor() {
        receivers = List.of(insurer(held("Larkmoor Mutual", Reached.UNOPENED, LATER)));
        assertThat(standing().stage()).isEqualTo(Stage.SENT);
        assertThat(standing().waitsFor()).isEqualTo(Side.RECEIVER);
        assertThat(standing().sent()).isEqualTo(1);
        assertThat(standing().since()).isEqualTo(LATER);
        assertThat(PaperStanding.lacking(facts())).isEqualTo("not opened yet");
    }

    @Test
    void whatCameBackWasNotSent() {
        receivers = List.of(insurer(held("Larkmoor Mutual", Reached.LOST, LATER)));
        assertThat(standing().stage()).isEqualTo(Stage.COMPLETE);
        assertThat(standing().sent()).isZero();
    }

    @Test
    void ofSeveralCopiesTheOneThatReachedThemCountsAndOfThoseTheFirst() {
        MustHave insurer = insurer(
                held("Larkmoor Mutual", Reached.UNOPENED, CAME),
                held("Larkmoor Mutual", Reached.HAS, LAST),
                held("Larkmoor Mutual", Reached.HAS, LATER),
                held("Somebody Else", Reached.HAS, CAME));
        assertThat(insurer.held()).isNotNull().extracting(Held::on).isEqualTo(LATER);
    }

    @Test
    void theyAreKnownByNameInAnyCaseOrByTheirAddress() {
        assertThat(held("LARKMOOR mutual", Reached.HAS, LATER).isOf("Larkmoor Mutual", null))
                .isTrue();
        Held mailed = new Held("Claims desk", "Claims@Larkmoor.example", LATER, Reached.HAS);
        assertThat(mailed.isOf("Larkmoor Mutual", "claims@larkmoor.example")).isTrue();
        assertThat(mailed.isOf("Larkmoor Mutual", null)).isFalse();
        assertThat(new Held("Claims desk", null, LATER, Reached.HAS).isOf("Larkmoor Mutual", null))
                .isFalse();
    }

    @Test
    void theSecondPersonsCheckIsLackingUntilItIsDoneWhereverItWasSent() {
        wantsCheck = true;
        assertThat(standing().stage()).isEqualTo(Stage.COMPLETE);
        assertThat(standing().waitsFor()).isEqualTo(Side.US);
        assertThat(standing().since()).isEqualTo(CAME);
        assertThat(PaperStanding.lacking(facts())).isEqualTo("to check");

        receivers = List.of(insurer(held("Larkmoor Mutual", Reached.HAS, LAST)));
        assertThat(standing().stage()).isEqualTo(Stage.SENT);
        assertThat(standing().waitsFor()).isEqualTo(Side.US);
        assertThat(standing().since()).isEqualTo(LAST);

        checkedOn = LAST;
        assertThat(standing().stage()).isEqualTo(Stage.FILED);
        assertThat(standing().wantsCheck()).isFalse();
    }

    @Test
    void checkedAndNotSentYetItWaitsForThoseWhoMustHaveIt() {
        wantsCheck = true;
        checkedOn = LATER;
        receivers = List.of(insurer());
        assertThat(standing().stage()).isEqualTo(Stage.CHECKED);
        assertThat(standing().checked()).isTrue();
        assertThat(standing().waitsFor()).isEqualTo(Side.RECEIVER);
    }

    @Test
    void theNameCountsThemWhenTheyAreMany() {
        receivers = List.of(
                insurer(held("Larkmoor Mutual", Reached.HAS, LATER)),
                MustHave.unknown("guardian"),
                MustHave.unknown("physician"),
                MustHave.unknown("payer"));
        assertThat(PaperStanding.lacking(facts())).isEqualTo("not sent to 3 of 4");
    }

    @Test
    void aReceiverIsOneThatCanBeFound() {
        assertThat(Receiver.relation(RelationKind.INSURER).code()).isEqualTo("INSURER");
        assertThat(Receiver.person().code()).isEmpty();
        assertThat(new Receiver(Receiver.Who.ROLE, " director ").code()).isEqualTo("director");
        assertThatThrownBy(() -> new Receiver(Receiver.Who.RELATION, "NEIGHBOUR"))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining("NEIGHBOUR");
        assertThatThrownBy(() -> new Receiver(Receiver.Who.PERSON, "x")).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new Receiver(Receiver.Who.OUTSIDER, " ")).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new Receiver(Receiver.Who.OUTSIDER, "Hallam Insurance"))
                .as("later acts could not find them")
                .isInstanceOf(IllegalArgumentException.class);
        String known = "01a22c42-9d6c-7666-8ade-4987a62ef81b";
        assertThat(new Receiver(Receiver.Who.OUTSIDER, known).code()).isEqualTo(known);
    }

    @Test
    void whatSeveralTypesAskIsAskedTogetherAndOnlyFromTheirDaysOn() {
        ReceivingRule toInsurer = new ReceivingRule(List.of(Receiver.relation(RelationKind.INSURER)), false, LATER);
        ReceivingRule toBoth =
                new ReceivingRule(List.of(Receiver.person(), Receiver.relation(RelationKind.INSURER)), true, null);
        assertThat(ReceivingRule.together(List.of(toInsurer, toBoth), LATER).receivers())
                .containsExactly(Receiver.relation(RelationKind.INSURER), Receiver.person());
        assertThat(ReceivingRule.together(List.of(toInsurer, toBoth), LATER).secondCheck())
                .isTrue();
        assertThat(ReceivingRule.together(List.of(toInsurer), LATER.minusDays(1))
                        .asksNothing())
                .isTrue();
        assertThatThrownBy(() -> new ReceivingRule(List.of(Receiver.person(), Receiver.person()), false, null))
                .isInstanceOf(IllegalArgumentException.class);
    }
}
