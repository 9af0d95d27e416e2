package app.denfold.server.people;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.UUID;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.jdbc.core.namedparam.NamedParameterJdbcTemplate;
import org.springframework.stereotype.Repository;

/** Mail addresses from which others write for a person: a guardian, an insurer. */
@Repository
class ContactAddresses {

    private final JdbcTemplate sql;
    private final NamedParameterJdbcTemplate named;

    ContactAddresses(JdbcTemplate sql) {
        this.sql = sql;
        this.named = new NamedParameterJdbcTemplate(sql);
    }

    void add(UUID fileId, String address) {
        sql.update(
                "insert into contact_address (file_id, address) values (?, ?) on conflict do nothing",
                fileId,
                address.strip().toLowerCase(Locale.ROOT));
    }

    /** Files for whose persons somebody writes from the address. */
    List<UUID> filesOf(String address) {
        return sql.queryForList(
                "select file_id from contact_address where address = lower(?) limit 20", UUID.class, address);
    }

    Map<UUID, List<String>> of(Collection<UUID> fileIds) {
        Map<UUID, List<String>> byFile = new HashMap<>();
        if (!fileIds.isEmpty()) {
            named.query(
                    "select file_id, address from contact_address where file_id in (:ids) order by address",
                    Map.of("ids", fileIds),
                    row -> {
                        byFile.computeIfAbsent(row.getObject("file_id", UUID.class), id -> new ArrayList<>())
                                .add(row.getString("address"));
                    });
        }
        return byFile;
    }
}
