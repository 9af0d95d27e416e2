package app.denfold.server.people;

import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.CrudRepository;

interface PersonFileRepository extends CrudRepository<PersonFile, UUID> {

    Optional<PersonFile> findByNumber(String number);

    List<PersonFile> findByIdIn(Collection<UUID> ids);

    List<PersonFile> findByFamilyNameIgnoreCaseAndGivenNameIgnoreCaseAndBirthDate(
            String familyName, String givenName, LocalDate birthDate);

    /** Locks the rows in the order of their ids against other changes of the same files. */
    @Query(value = "select id from person_file where id in (:ids) order by id for no key update", nativeQuery = true)
    List<UUID> lockByIds(Collection<UUID> ids);

    @Query("select f.id, f.kind, f.birthDate from PersonFile f where f.id in :ids")
    List<Object[]> findForRules(Collection<UUID> ids);

    @Query("select f.id, s from PersonFile f join f.activeSpans s where f.id in :ids order by f.id, index(s)")
    List<Object[]> findSpans(Collection<UUID> ids);

    @Query("select f.id, a from PersonFile f join f.facts a where f.id in :ids order by f.id, index(a)")
    List<Object[]> findFacts(Collection<UUID> ids);

    @Query("select f.id from PersonFile f where (:kind = '' or f.kind = :kind) order by f.id")
    List<UUID> findIdsOfKind(String kind);

    @Query("select f.id from PersonFile f")
    List<UUID> findAllIds();

    /** Best first: those that hold the text as it is, then those that come near it (pg_trgm word similarity). */
    @Query(value = """
                    select f.* from person_file f
                    where (:wanted = '' or f.search_text like '%' || :pattern || '%' escape '!'
                           or word_similarity(:wanted, f.search_text) >= 0.5)
                      and (:kind = '' or f.kind = :kind)
                      and (:team = '' or f.team = :team)
                    order by case when :wanted = '' then 0
                                  when f.search_text like '%' || :pattern || '%' escape '!' then 0 else 1 end,
                             case when :wanted = '' then 0 else 1 - word_similarity(:wanted, f.search_text) end,
                             f.family_name, f.given_name, f.number
                    limit :most
                    """, nativeQuery = true)
    List<PersonFile> find(String wanted, String pattern, String kind, String team, int most);
}
