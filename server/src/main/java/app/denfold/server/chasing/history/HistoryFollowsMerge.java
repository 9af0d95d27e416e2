package app.denfold.server.chasing.history;

import app.denfold.server.merging.FileRowsStore;
import app.denfold.server.merging.FileRowsStore.Rows;
import app.denfold.server.merging.FollowsMerge;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** What was told and decided about a person goes along when files are merged, unless the kept file knows the same. */
@Configuration
class HistoryFollowsMerge {

    private static final String SAME_TURN = """
            o.plan_id = t.plan_id and o.step = t.step and o.number = t.number and o.file_id = :kept
            and o.checklist is not distinct from t.checklist and o.requirement is not distinct from t.requirement
            and o.document_id is not distinct from t.document_id and o.anchor = t.anchor
            and o.recipient = t.recipient""";

    @Bean
    FollowsMerge toldFollows(FileRowsStore rows) {
        return rows.follow(Rows.of("told", null, null)
                .only("and (t.came_back or not exists (select 1 from told o where not o.came_back and " + SAME_TURN
                        + "))"));
    }

    @Bean
    FollowsMerge changedTurnsFollow(FileRowsStore rows) {
        return rows.follow(Rows.of("changed_turn", null, null)
                .only("and not exists (select 1 from changed_turn o where " + SAME_TURN + ")"));
    }

    @Bean
    FollowsMerge stopsFollow(FileRowsStore rows) {
        return rows.follow(Rows.of("chase_stop", null, null).versioned());
    }
}
