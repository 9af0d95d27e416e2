package app.denfold.core.receiving;

import app.denfold.core.filing.PlainText;
import java.time.LocalDate;
import java.util.Collection;
import java.util.Comparator;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * That somebody was given a paper.
 *
 * @param name of whom, as it was said then
 * @param address to which it was mailed; null when it was given otherwise
 * @param on the day it was given
 */
public record Held(String name, @Nullable String address, LocalDate on, Reached reached) {

    /** What became of it, the better ones later. */
    public enum Reached {
        /** It came back, or a link to it ended unopened: they do not have it. */
        LOST,
        /** A link to it was sent and not opened yet. */
        UNOPENED,
        /** They have it, as far as can be known. */
        HAS
    }

    /** Whether this somebody was given it: one of the same name, or with the same mail address. */
    public boolean isOf(String wantedName, @Nullable String wantedAddress) {
        boolean isSameAddress = address != null && address.equalsIgnoreCase(wantedAddress);
        String plain = PlainText.of(name);
        return isSameAddress || (!plain.isEmpty() && plain.equals(PlainText.of(wantedName)));
    }

    /** The best that somebody was given: of those that reached them equally well, the first. Empty when none did. */
    public static Optional<Held> best(Collection<Held> all, String name, @Nullable String address) {
        return all.stream()
                .filter(h -> h.reached != Reached.LOST && h.isOf(name, address))
                .max(Comparator.comparing(Held::reached).thenComparing(Held::on, Comparator.reverseOrder()));
    }
}
