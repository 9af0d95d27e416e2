package app.denfold.server.arrivals;

import app.denfold.server.content.copying.ChosenPage;

/**
 * One page of an arrival: a page of some stored bytes, turned clockwise by quarters.
 *
 * @param page from 1
 * @param turn 0, 90, 180 or 270 degrees
 */
public record PageRef(String sha256, int page, int turn) {

    public PageRef turnedBy(int degrees) {
        return new PageRef(sha256, page, Math.floorMod(turn + degrees, 360));
    }

    public boolean isSamePageAs(PageRef other) {
        return page == other.page && sha256.equals(other.sha256);
    }

    public ChosenPage chosen() {
        return new ChosenPage(sha256, page, turn);
    }
}
