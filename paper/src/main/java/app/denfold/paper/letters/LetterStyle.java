package app.denfold.paper.letters;

import app.denfold.core.letters.LetterSheet;

/** How much room the pages of a letter leave for what stands on each of them. */
final class LetterStyle {

    private LetterStyle() {}

    /** The {@code @page} rule of CSS Paged Media. @param family of the font of the numbers */
    static String ofPages(LetterSheet sheet, String family) {
        boolean hasTop = !sheet.top().isEmpty();
        boolean hasFoot = !sheet.foot().isEmpty();
        return """
                @page {
                  size: A4;
                  margin: %s 22mm %s 24mm;
                  %s
                  %s
                  %s
                }
                .top { position: running(top); }
                .foot { position: running(foot); }
                """.formatted(
                        hasTop ? "36mm" : "22mm",
                        hasFoot ? "36mm" : "24mm",
                        hasTop ? "@top-left { content: element(top); width: 100%; vertical-align: middle; }" : "",
                        hasFoot ? "@bottom-left { content: element(foot); width: 88%; vertical-align: middle; }" : "",
                        sheet.numbered() ? numbers(hasFoot, family) : "");
    }

    private static String numbers(boolean hasFoot, String family) {
        return """
                @%s {
                    content: counter(page) " / " counter(pages);
                    font-family: '%s';
                    font-size: 9pt;
                    vertical-align: middle;
                    %s
                  }""".formatted(
                hasFoot ? "bottom-right" : "bottom-center", family, hasFoot ? "width: 12%; text-align: right;" : "");
    }
}
