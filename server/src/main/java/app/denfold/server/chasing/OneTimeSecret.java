package app.denfold.server.chasing;

/** Keeps the secrets of one-time links, and codes, out of what is shown and kept. */
final class OneTimeSecret {

    private OneTimeSecret() {}

    static String removedFrom(String text) {
        return text.replaceAll("(/(?:invitation|sign|copies|told)/)[A-Za-z0-9_-]{20,}", "$1…")
                .replaceAll("(  Code )\\d{3} \\d{3}", "$1…");
    }
}
