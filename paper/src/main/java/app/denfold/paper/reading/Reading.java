package app.denfold.paper.reading;

import app.denfold.paper.Format;
import java.util.Optional;

/** What looking into a received file found. */
public sealed interface Reading {

    /** The pages can be shown. */
    record Readable(Format format, int pages) implements Reading {}

    /** It is kept but cannot be shown; the reason is a sentence for the person who files. */
    record SetAside(Format format, String reason) implements Reading {}

    /** It is not taken at all; the reason is a sentence for the person who brought it. */
    record Refused(String reason) implements Reading {}

    /** The reason, when there is one. */
    default Optional<String> why() {
        if (this instanceof SetAside aside) {
            return Optional.of(aside.reason);
        }
        return this instanceof Refused refused ? Optional.of(refused.reason) : Optional.empty();
    }
}
