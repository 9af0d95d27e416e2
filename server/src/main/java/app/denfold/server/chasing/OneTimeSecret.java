package app.denfold.server.chasing;

/** Keeps the secrets of one-time links out of what is shown and kept. */
final class OneTimeSecret {

    private OneTimeSecret() {}

    static String removedFrom(String text) {
        return text.replaceAll("(/invitation/)[A-Za-z0-9_-]{20,}", "$1…");
    }
}
