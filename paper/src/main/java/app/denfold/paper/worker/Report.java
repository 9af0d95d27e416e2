package app.denfold.paper.worker;

import app.denfold.paper.Format;
import app.denfold.paper.PageFacts;
import app.denfold.paper.Reading;
import org.jspecify.annotations.Nullable;

/** What a worker process answers: one line of JSON for each page, and a last one. */
record Report(
        Kind kind,
        @Nullable PageFacts page,
        @Nullable Outcome outcome,
        @Nullable Format format,
        int pages,
        @Nullable String words) {

    enum Kind {
        PAGE,
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
        return new Report(Kind.PAGE, page, null, null, 0, null);
    }

    static Report done(boolean yes) {
        return new Report(Kind.DONE, null, yes ? Outcome.YES : Outcome.NO, null, 0, null);
    }

    static Report failed(String words) {
        return new Report(Kind.FAILED, null, null, null, 0, words);
    }

    static Report of(Reading reading) {
        if (reading instanceof Reading.Readable readable) {
            return new Report(Kind.DONE, null, Outcome.READABLE, readable.format(), readable.pages(), null);
        }
        if (reading instanceof Reading.SetAside aside) {
            return new Report(Kind.DONE, null, Outcome.SET_ASIDE, aside.format(), 0, aside.reason());
        }
        return new Report(Kind.DONE, null, Outcome.REFUSED, null, 0, ((Reading.Refused) reading).reason());
    }

    Reading reading() {
        return switch (java.util.Objects.requireNonNull(outcome)) {
            case READABLE -> new Reading.Readable(java.util.Objects.requireNonNull(format), pages);
            case SET_ASIDE -> new Reading.SetAside(java.util.Objects.requireNonNull(format), String.valueOf(words));
            default -> new Reading.Refused(String.valueOf(words));
        };
    }
}
