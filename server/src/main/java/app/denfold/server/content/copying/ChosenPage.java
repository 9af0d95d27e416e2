package app.denfold.server.content.copying;

/** A page of a stored paper. @param page from 1 @param turn by how many degrees clockwise */
public record ChosenPage(String sha256, int page, int turn) {}
