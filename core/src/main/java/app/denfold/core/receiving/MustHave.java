package app.denfold.core.receiving;

import java.util.Collection;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * Somebody who must have a certain paper.
 *
 * @param label what they are, such as {@code insurer}
 * @param name null when nobody is known who is that
 * @param address of mail; null when none is known
 * @param held what they were given; null when nothing that reached them
 */
public record MustHave(
        String label,
        @Nullable String name,
        @Nullable String address,
        @Nullable Held held) {

    /** @param given to anybody */
    public static MustHave of(String label, String name, @Nullable String address, Collection<Held> given) {
        Optional<Held> best = Held.best(given, name, address);
        return new MustHave(label, name, address, best.orElse(null));
    }

    /** Somebody who is not known: to be found before anything can be sent. */
    public static MustHave unknown(String label) {
        return new MustHave(label, null, null, null);
    }

    /** Whether something was sent that reached them, opened or not. */
    public boolean isSent() {
        return held != null;
    }

    /** Whether they have it. */
    public boolean has() {
        return held != null && held.reached() == Held.Reached.HAS;
    }
}
