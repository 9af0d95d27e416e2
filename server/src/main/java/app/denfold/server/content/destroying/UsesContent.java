package app.denfold.server.content.destroying;

/** Whoever keeps something that needs stored bytes says so here; bytes that nobody needs can be destroyed. */
public interface UsesContent {

    boolean uses(String sha256);
}
