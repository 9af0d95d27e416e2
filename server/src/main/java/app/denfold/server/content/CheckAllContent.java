package app.denfold.server.content;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.List;
import java.util.Optional;
import java.util.function.BiConsumer;
import java.util.function.BooleanSupplier;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Component;

/** Reads every stored file through, notes which are damaged or missing, and which are whole again. */
@Component
public class CheckAllContent {

    private static final int AT_ONCE = 500;

    private final ContentRepository contents;
    private final CheckBytes check;
    private final DamagedContent damaged;

    CheckAllContent(ContentRepository contents, CheckBytes check, DamagedContent damaged) {
        this.contents = contents;
        this.check = check;
        this.damaged = damaged;
    }

    /** @param read how many files were asked for @param wrong how many of them are missing or damaged */
    public record Found(long read, long wrong) {}

    /**
     * @param stops ends it early
     * @param told takes the SHA-256 of each file that is not as it was stored, and what is wrong with it
     */
    public Found run(BooleanSupplier stops, BiConsumer<String, String> told) {
        long read = 0;
        long wrongs = 0;
        try {
            List<Content> some = next("");
            while (!some.isEmpty() && !stops.getAsBoolean()) {
                for (Content content : some) {
                    Optional<String> wrong = check.wrong(content);
                    read++;
                    if (wrong.isPresent()) {
                        wrongs++;
                        damaged.report(content.sha256(), wrong.get());
                        told.accept(content.sha256(), wrong.get());
                    } else {
                        damaged.mended(content.sha256());
                    }
                }
                some = next(some.get(some.size() - 1).sha256());
            }
        } catch (IOException failed) {
            throw new UncheckedIOException("The check of all stored papers broke off", failed);
        }
        return new Found(read, wrongs);
    }

    private List<Content> next(String after) {
        return contents.findBySha256GreaterThanAndDestroyedAtIsNullOrderBySha256(after, Limit.of(AT_ONCE));
    }
}
