package app.denfold.server.practice;

/** Texts for comma-separated values. */
public final class CsvText {

    private CsvText() {}

    /** Spreadsheets take a text that begins so for a formula; an apostrophe keeps it a text. */
    public static String harmless(String text) {
        return !text.isEmpty() && "=+-@\t\r".indexOf(text.charAt(0)) >= 0 ? "'" + text : text;
    }
}
