package app.denfold.server.people.contacts;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Email addresses from which others write for a person: a guardian, an insurer. Told twice they stand once, hence by SQL. */
@Repository
public class ContactAddressStore {

    private final JdbcClient sql;

    ContactAddressStore(JdbcClient sql) {
        this.sql = sql;
    }

    public void add(UUID fileId, String address) {
        sql.sql("insert into contact_address (file_id, address) values (?, ?) on conflict do nothing")
                .params(fileId, address.strip().toLowerCase(Locale.ROOT))
                .update();
    }

    /** Files for whose persons somebody writes from the address. */
    public List<UUID> filesOf(String address) {
        return sql.sql("select file_id from contact_address where address = lower(?) limit 20")
                .param(address)
                .query(UUID.class)
                .list();
    }

    public Map<UUID, List<String>> of(Collection<UUID> fileIds) {
        Map<UUID, List<String>> byFile = new HashMap<>();
        if (!fileIds.isEmpty()) {
            sql.sql("select file_id, address from contact_address where file_id in (:ids) order by address")
                    .param("ids", fileIds)
                    .query(row -> {
                        byFile.computeIfAbsent(row.getObject("file_id", UUID.class), id -> new ArrayList<>())
                                .add(row.getString("address"));
                    });
        }
        return byFile;
    }

    /** Gives a file the addresses of another that it lacks. @return those */
    public List<String> copy(UUID from, UUID to) {
        return sql.sql("""
                        insert into contact_address (file_id, address)
                        select :to, address from contact_address where file_id = :from
                        on conflict do nothing returning address
                        """)
                .param("from", from)
                .param("to", to)
                .query(String.class)
                .list();
    }

    public void remove(UUID fileId, Collection<String> addresses) {
        if (!addresses.isEmpty()) {
            sql.sql("delete from contact_address where file_id = :file and address in (:addresses)")
                    .param("file", fileId)
                    .param("addresses", addresses)
                    .update();
        }
    }
}
