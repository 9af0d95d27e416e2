package app.denfold.server.problems;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/** Names of the API's fields as people say them. */
final class FieldWords {

    /** Where the words people say are not those of the name. */
    private static final Map<String, String> SAID = Map.ofEntries(
            Map.entry("fileId", "person"),
            Map.entry("documentDate", "date"),
            Map.entry("statedExpiry", "expiry"),
            Map.entry("effectiveDate", "day it takes effect"),
            Map.entry("furtherTypes", "further types"),
            Map.entry("label", "name"),
            Map.entry("to", "recipient"),
            Map.entry("asOf", "day"),
            Map.entry("signedOnPaper", "signatures"),
            Map.entry("documents", "papers"));

    /** `signers[1]`: the second one of a list. */
    private static final Pattern ENTRY = Pattern.compile("(.+?)\\[(\\d+)\\]");

    private FieldWords() {}

    /**
     * What is wrong with a field, as a sentence.
     *
     * @param path such as {@code signers[1].signer}
     * @param problem what is wrong, without its subject: {@code is needed}
     * @return such as {@code The signer of signers, line 2, is needed.}
     */
    static String sentence(String path, @Nullable String problem) {
        List<String> places = new ArrayList<>();
        String[] steps = path.split("\\.");
        for (int i = 0; i < steps.length; i++) {
            Matcher entry = ENTRY.matcher(steps[i]);
            if (entry.matches()) {
                places.add("line " + (Integer.parseInt(entry.group(2)) + 1) + " of the " + said(entry.group(1)));
            }
        }
        String last = steps[steps.length - 1];
        String what = ENTRY.matcher(last).matches() ? "" : "The " + said(last);
        String where = places.isEmpty() ? "" : String.join(", ", places);
        String subject = what.isEmpty()
                ? where.substring(0, 1).toUpperCase(Locale.ENGLISH) + where.substring(1)
                : where.isEmpty() ? what : what + " in " + where;
        String end = problem == null ? "is not right" : problem;
        return subject + " " + end + (end.endsWith("?") || end.endsWith(".") ? "" : ".");
    }

    private static String said(String name) {
        String known = SAID.get(name);
        return known != null
                ? known
                : name.replaceAll("([a-z])([A-Z])", "$1 $2").toLowerCase(Locale.ENGLISH);
    }
}
