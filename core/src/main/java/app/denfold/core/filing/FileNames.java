package app.denfold.core.filing;

import java.text.Normalizer;
import java.util.HashSet;
import java.util.Locale;
import java.util.Set;

/** Names that every common file system accepts. */
public final class FileNames {

    /** The most characters a name may have, so that ending and number still fit in 255 bytes of UTF-8. */
    public static final int LONGEST = 80;

    private static final Set<String> RESERVED =
            Set.of("con", "prn", "aux", "nul", "com1", "com2", "com3", "com4", "lpt1", "lpt2", "lpt3", "lpt4");

    private FileNames() {}

    /**
     * The same text without characters that some file system refuses (control characters and {@code \ / : * ? " < > |}),
     * without leading or trailing dots and spaces, at most {@link #LONGEST} characters; {@code Paper} when nothing is
     * left.
     */
    public static String safe(String text) {
        String clean = Normalizer.normalize(text, Normalizer.Form.NFC)
                .replaceAll("[\\p{Cntrl}\\p{Cf}\\p{Co}\\p{Cn}]", "")
                .replaceAll("[\\\\/:*?\"<>|]", "-")
                .replaceAll("\\s+", " ");
        if (clean.codePointCount(0, clean.length()) > LONGEST) {
            clean = clean.substring(0, clean.offsetByCodePoints(0, LONGEST));
        }
        clean = clean.replaceAll("^[. ]+|[. ]+$", "");
        if (clean.isEmpty()) {
            return "Paper";
        }
        return RESERVED.contains(clean.toLowerCase(Locale.ROOT)) ? clean + " -" : clean;
    }

    /** The name, or the name with the smallest number in brackets from 2 on that is not taken, case ignored. */
    public static String unique(String name, Set<String> taken) {
        Set<String> lower = new HashSet<>();
        taken.forEach(t -> lower.add(t.toLowerCase(Locale.ROOT)));
        String candidate = name;
        for (int n = 2; lower.contains(candidate.toLowerCase(Locale.ROOT)); n++) {
            candidate = name + " (" + n + ")";
        }
        return candidate;
    }
}
