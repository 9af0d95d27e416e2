package app.denfold.server.finding.index;

import app.denfold.paper.reading.PageFacts;
import app.denfold.server.documents.FiledDocument;
import app.denfold.server.people.PersonFile;
import app.denfold.server.reading.ReadPage;
import java.sql.Timestamp;
import java.sql.Types;
import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import tools.jackson.databind.json.JsonMapper;

/** What papers can be found by, and the queue of those that are to be made findable. Vectors of words are built by the database. */
@Repository
class FindableStore {

    private final JdbcClient sql;

    FindableStore(JdbcClient sql) {
        this.sql = sql;
    }

    /** Longer ones have more words than places are known of. */
    private static final int LONG = 80_000;

    private static final JsonMapper JSON = new JsonMapper();

    private static final String PUT = """
            insert into findable (document_id, file_id, types, name, document_date, received_on, stored_at, source,
              filed_by, media_type, pages, size, state, fields, sha256, is_read, pages_without_text, is_long, is_cut,
              versions, changes, given_name, family_name, number, kind, team, person_text, facts, reviewer, words, name_words)
            values (:id, :file, :types, :name, :dated, :received, :stored, :source, :filedBy, :mediaType, :pages,
              :size, :state, :fields::jsonb, :sha256, :isRead, :without, :isLong, :isCut, :versions, :changes, :given,
              :family, :number, :kind, :team, :personText, :facts::jsonb, :reviewer,
              to_tsvector('denfold_plain', :words) || to_tsvector('denfold_words', :words),
              to_tsvector('denfold_plain', :nameWords))
            on conflict (document_id) do update set file_id = excluded.file_id, types = excluded.types,
              name = excluded.name, document_date = excluded.document_date, received_on = excluded.received_on,
              source = excluded.source, media_type = excluded.media_type, pages = excluded.pages,
              size = excluded.size, state = excluded.state, fields = excluded.fields, sha256 = excluded.sha256,
              is_read = excluded.is_read, pages_without_text = excluded.pages_without_text,
              is_long = excluded.is_long, is_cut = excluded.is_cut, versions = excluded.versions,
              changes = excluded.changes, given_name = excluded.given_name, family_name = excluded.family_name,
              number = excluded.number, kind = excluded.kind, team = excluded.team,
              person_text = excluded.person_text, facts = excluded.facts, reviewer = excluded.reviewer,
              words = excluded.words,
              name_words = excluded.name_words
            """;

    void queue(UUID documentId) {
        sql.sql("insert into find_queue (document_id) values (?)")
                .param(documentId)
                .update();
    }

    void queue(Collection<UUID> documentIds) {
        sql.sql("insert into find_queue (document_id) select unnest(:ids::uuid[])")
                .param("ids", documentIds.toArray(UUID[]::new))
                .update();
    }

    int waiting() {
        return sql.sql("select count(*) from find_queue").query(Integer.class).single();
    }

    /** An entry of the queue. */
    record Queued(long id, UUID documentId) {}

    /** The longest waiting first. */
    List<Queued> next(int most) {
        return sql.sql("select id, document_id from find_queue order by id limit ?")
                .param(most)
                .query((row, i) -> new Queued(row.getLong(1), row.getObject(2, UUID.class)))
                .list();
    }

    /** @param upTo what came into the queue later stays */
    void done(Collection<UUID> documents, long upTo) {
        sql.sql("delete from find_queue where document_id in (:documents) and id <= :upTo")
                .param("documents", documents)
                .param("upTo", upTo)
                .update();
    }

    /** @param most so many letters of its pages, and no more, can be searched */
    void put(Findable found, int most) {
        FiledDocument document = found.document();
        PersonFile person = found.person();
        String text = found.pages().stream().map(ReadPage::text).collect(Collectors.joining("\n"));
        String nameWords = String.join(
                "\n", document.name(), String.join(" ", found.typeLabels()), person.name(), person.number());
        String words = String.join(
                "\n",
                nameWords,
                String.join(" ", document.fields().values()),
                text.substring(0, Math.min(most, text.length())));
        long without = found.pages().stream()
                .filter(p -> p.textFrom() == PageFacts.TextFrom.NONE && !p.blank())
                .count();
        boolean isLong = text.length() > LONG;
        sql.sql(PUT)
                .param("id", document.id())
                .param("file", document.fileId())
                .param("types", document.types().toArray(String[]::new))
                .param("name", document.name())
                .param("dated", document.documentDate())
                .param("received", document.receivedOn())
                .param("stored", Timestamp.from(document.createdAt()))
                .param("source", document.source())
                .param("filedBy", document.filedBy())
                .param("mediaType", found.content().mediaType())
                .param("pages", found.content().pages())
                .param("size", found.content().size())
                .param("state", found.state().name())
                .param("fields", JSON.writeValueAsString(document.fields()))
                .param("sha256", found.content().sha256())
                .param("isRead", found.isRead())
                .param("without", without)
                .param("isLong", isLong)
                .param("isCut", text.length() > most)
                .param("versions", document.versions().size())
                .param("changes", document.changes())
                .param("given", person.givenName())
                .param("family", person.familyName())
                .param("number", person.number())
                .param("kind", person.kind())
                .param("team", person.team(), Types.VARCHAR)
                .param("personText", person.searchText())
                .param("facts", facts(person))
                .param("reviewer", document.reviewer(), Types.OTHER)
                .param("words", words)
                .param("nameWords", nameWords)
                .update();
        putPages(document.id(), isLong ? found.pages() : List.of());
        // in one order, so that two papers indexed at once cannot wait for each other
        sql.sql("""
                        insert into find_word (word)
                        select w from unnest(tsvector_to_array(to_tsvector('denfold_plain', :words))) w
                        where length(w) between 4 and 40 and w !~ '[0-9]' order by w on conflict do nothing
                        """).param("words", words).update();
    }

    private void putPages(UUID documentId, List<ReadPage> pages) {
        sql.sql("delete from findable_page where document_id = ?")
                .param(documentId)
                .update();
        for (ReadPage page : pages) {
            sql.sql("""
                    insert into findable_page (document_id, page, words)
                    values (?, ?, to_tsvector('denfold_plain', ?))
                    """).params(documentId, page.page(), page.text()).update();
        }
    }

    /** What decides who may find the person's papers holds at once; their words follow by the queue. */
    void follow(PersonFile person) {
        sql.sql("""
                update findable set given_name = :given, family_name = :family, number = :number, kind = :kind,
                  team = :team, person_text = :personText, facts = :facts::jsonb
                where file_id = :file
                """)
                .param("given", person.givenName())
                .param("family", person.familyName())
                .param("number", person.number())
                .param("kind", person.kind())
                .param("team", person.team(), Types.VARCHAR)
                .param("personText", person.searchText())
                .param("facts", facts(person))
                .param("file", person.id())
                .update();
    }

    private record FactInIndex(
            String name,
            String value,
            @Nullable String from,
            @Nullable String to) {}

    private static String facts(PersonFile person) {
        return JSON.writeValueAsString(person.facts().stream()
                .map(f -> new FactInIndex(f.name(), f.value(), day(f.fromDay()), day(f.toDay())))
                .toList());
    }

    private static @Nullable String day(@Nullable LocalDate day) {
        return day == null ? null : day.toString();
    }

    /** With the words that no other paper holds, in one order as above: what is destroyed is not suggested to anybody. */
    void remove(UUID documentId) {
        sql.sql("""
                with gone as (
                  delete from findable where document_id = :id returning words
                ), doomed as (
                  select w.word from find_word w
                  join (select distinct l.lexeme from gone cross join unnest(gone.words) as l) as held on held.lexeme = w.word
                  where not exists (
                    select 1 from findable f where f.document_id <> :id
                    and f.words @@ ('''' || replace(replace(w.word, '\\', '\\\\'), '''', '''''') || '''')::tsquery
                  )
                  order by w.word for update of w
                )
                delete from find_word w using doomed where w.word = doomed.word
                """).param("id", documentId).update();
    }
}
