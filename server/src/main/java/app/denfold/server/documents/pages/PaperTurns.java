package app.denfold.server.documents.pages;

import app.denfold.server.access.Viewer;
import app.denfold.server.audit.AuditEntry;
import app.denfold.server.audit.AuditTrail;
import app.denfold.server.documents.FiledDocument;
import app.denfold.server.problems.Refusal;
import java.util.Collection;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/**
 * How pages are turned to be read: as recognition set them upright, and on top of that as a reader turned the whole paper.
 */
@Repository
public class PaperTurns {

    private final JdbcTemplate sql;
    private final AuditTrail trail;

    PaperTurns(JdbcTemplate sql, AuditTrail trail) {
        this.trail = trail;
        this.sql = sql;
    }

    /** For each page degrees clockwise; empty when no page is turned. */
    @Transactional(readOnly = true)
    public List<Integer> of(String sha256) {
        List<Integer> turns = sql.queryForList("""
                select (coalesce(p.turn, 0) + coalesce((select degrees from paper_turn where sha256 = c.sha256), 0)) % 360
                from content c cross join lateral generate_series(1, c.pages) n
                left join paper_page p on p.sha256 = c.sha256 and p.page = n
                where c.sha256 = ? order by n
                """, Integer.class, sha256);
        return turns.stream().allMatch(t -> t == 0) ? Collections.emptyList() : turns;
    }

    /** By hash, by how many degrees clockwise readers turned all pages of a paper; those never turned are left out. */
    @Transactional(readOnly = true)
    public Map<String, Integer> byHand(Collection<String> hashes) {
        Map<String, Integer> turned = new HashMap<>();
        sql.query(
                "select sha256, degrees from paper_turn where degrees <> 0 and sha256 = any (?)",
                row -> {
                    turned.put(row.getString(1), row.getInt(2));
                },
                (Object) hashes.toArray(String[]::new));
        return turned;
    }

    /** @param degrees clockwise, on top of how it is turned now */
    @Transactional
    public void turn(Viewer viewer, FiledDocument document, int number, String sha256, int degrees) {
        viewer.requireChange();
        if (degrees % 90 != 0 || Math.abs(degrees) > 270) {
            throw Refusal.invalid("degrees", "Pages are turned by quarters.");
        }
        sql.update(
                "insert into paper_turn as t (sha256, degrees) values (?, ?) on conflict (sha256) do update"
                        + " set degrees = (t.degrees + excluded.degrees) % 360",
                sha256, Math.floorMod(degrees, 360));
        trail.record(new AuditEntry(
                viewer.actor(),
                "turned",
                document.fileId(),
                document.id(),
                "turned the pages of “" + document.name() + "”, version " + number + ", by "
                        + Math.floorMod(degrees, 360) + " degrees"));
    }
}
