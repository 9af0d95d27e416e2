package app.denfold.paper.worker;

import app.denfold.paper.Format;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** What a worker process is asked to do: one line of JSON. Paths are absolute. */
record Task(
        What what,
        @Nullable String file,
        @Nullable String name,
        @Nullable Format format,
        int page,
        int width,
        int turn,
        @Nullable String to,
        boolean recognise,
        @Nullable String languages,
        @Nullable String password,
        @Nullable List<Chosen> pages) {

    enum What {
        IDENTIFY,
        DRAW,
        READ,
        COPY,
        UNLOCK,
        ARCHIVE
    }

    record Chosen(String file, Format format, int page, int turn) {}

    static Task identify(String file, String name) {
        return new Task(What.IDENTIFY, file, name, null, 0, 0, 0, null, false, null, null, null);
    }

    static Task draw(String file, Format format, int page, int width, int turn, String to) {
        return new Task(What.DRAW, file, null, format, page, width, turn, to, false, null, null, null);
    }

    static Task read(String file, Format format, boolean recognise, String languages, int from) {
        return new Task(What.READ, file, null, format, from, 0, 0, null, recognise, languages, null, null);
    }

    static Task copy(List<Chosen> pages, String to) {
        return new Task(What.COPY, null, null, null, 0, 0, 0, to, false, null, null, pages);
    }

    static Task archive(String file, Format format, String to) {
        return new Task(What.ARCHIVE, file, null, format, 0, 0, 0, to, false, null, null, null);
    }

    static Task unlock(String file, String password, String to) {
        return new Task(What.UNLOCK, file, null, null, 0, 0, 0, to, false, null, password, null);
    }
}
