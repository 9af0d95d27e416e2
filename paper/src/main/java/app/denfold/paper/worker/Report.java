package app.denfold.paper.worker;

import app.denfold.paper.Format;
import app.denfold.paper.forms.FormBox;
import app.denfold.paper.places.WritingPlace;
import app.denfold.paper.reading.PageFacts;
import app.denfold.paper.reading.Reading;
import app.denfold.paper.sealing.CheckedSeal;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;

/** What a worker process answers: one line of JSON for each page, one for each thing to be signed, and a last one. */
record Report(
        Kind kind,
        @Nullable PageFacts page,
        @Nullable Outcome outcome,
        @Nullable Format format,
        int pages,
        @Nullable String words,
        byte @Nullable [] toSign,
        List<CheckedSeal> seals,
        List<WritingPlace> places,
        List<FormBox> form) {

    enum Kind {
        PAGE,
        SIGN,
        STAMP,
        DONE,
        FAILED
    }

    enum Outcome {
        READABLE,
        SET_ASIDE,
        REFUSED,
        YES,
        NO
    }

    static Report page(PageFacts page) {
        return new Report(Kind.PAGE, page, null, null, 0, null, null, List.of(), List.of(), List.of());
    }

    static Report sign(byte[] bytes) {
        return new Report(Kind.SIGN, null, null, null, 0, null, bytes, List.of(), List.of(), List.of());
    }

    static Report stamp(byte[] request) {
        return new Report(Kind.STAMP, null, null, null, 0, null, request, List.of(), List.of(), List.of());
    }

    static Report done(boolean yes) {
        return outcome(yes ? Outcome.YES : Outcome.NO, null, 0, null);
    }

    /** Something was made of so many pages. */
    static Report made(int pages) {
        return outcome(Outcome.YES, null, pages, null);
    }

    static Report seals(List<CheckedSeal> seals) {
        return new Report(Kind.DONE, null, Outcome.YES, null, 0, null, null, seals, List.of(), List.of());
    }

    static Report places(List<WritingPlace> places) {
        return new Report(Kind.DONE, null, Outcome.YES, null, 0, null, null, List.of(), places, List.of());
    }

    static Report form(List<FormBox> form) {
        return new Report(Kind.DONE, null, Outcome.YES, null, 0, null, null, List.of(), List.of(), form);
    }

    static Report failed(String words) {
        return new Report(Kind.FAILED, null, null, null, 0, words, null, List.of(), List.of(), List.of());
    }

    private static Report outcome(Outcome outcome, @Nullable Format format, int pages, @Nullable String words) {
        return new Report(Kind.DONE, null, outcome, format, pages, words, null, List.of(), List.of(), List.of());
    }

    static Report of(Reading reading) {
        if (reading instanceof Reading.Readable readable) {
            return outcome(Outcome.READABLE, readable.format(), readable.pages(), null);
        }
        if (reading instanceof Reading.SetAside aside) {
            return outcome(Outcome.SET_ASIDE, aside.format(), 0, aside.reason());
        }
        return outcome(Outcome.REFUSED, null, 0, ((Reading.Refused) reading).reason());
    }

    Reading reading() {
        return switch (Objects.requireNonNull(outcome)) {
            case READABLE -> new Reading.Readable(Objects.requireNonNull(format), pages);
            case SET_ASIDE -> new Reading.SetAside(Objects.requireNonNull(format), String.valueOf(words));
            default -> new Reading.Refused(String.valueOf(words));
        };
    }
}
