package app.denfold.server.merging;

import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.jdbc.core.namedparam.NamedParameterJdbcTemplate;
import org.springframework.stereotype.Component;

/** Addresses from which others write for the person: the kept file gets those it lacks. */
@Component
class ContactsFollow implements FollowsMerge {

    private final NamedParameterJdbcTemplate sql;

    ContactsFollow(NamedParameterJdbcTemplate sql) {
        this.sql = sql;
    }

    @Override
    public String name() {
        return "contact_address";
    }

    @Override
    public List<String> follow(UUID gone, UUID kept) {
        return sql.queryForList(
                "insert into contact_address (file_id, address) select :kept, address from contact_address"
                        + " where file_id = :gone on conflict do nothing returning address",
                Map.of("gone", gone, "kept", kept),
                String.class);
    }

    @Override
    public void goBack(UUID gone, UUID kept, List<String> moved) {
        if (!moved.isEmpty()) {
            sql.update(
                    "delete from contact_address where file_id = :kept and address in (:moved)",
                    Map.of("kept", kept, "moved", moved));
        }
    }
}
