package app.denfold.server.people;

import jakarta.persistence.LockModeType;
import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.CrudRepository;

interface PersonFileRepository extends CrudRepository<PersonFile, UUID> {

    /** Whose file has the number, or stays where that file was merged into it. */
    @Query(value = """
                    with recursive way as (
                      select id, merged_into from person_file where number = :number
                      union all
                      select p.id, p.merged_into from person_file p join way w on p.id = w.merged_into
                    )
                    select f.* from person_file f join way w on w.id = f.id where w.merged_into is null
                    """, nativeQuery = true)
    Optional<PersonFile> findByNumber(String number);

    List<PersonFile> findByNumberIn(Collection<String> numbers);

    /** The file that was merged into another, otherwise never found. */
    @Query(value = "select * from person_file where id = :id and merged_into is not null", nativeQuery = true)
    Optional<PersonFile> findMerged(UUID id);

    @Query(value = "select number from person_file where id in (:ids) and merged_into is not null", nativeQuery = true)
    List<String> findMergedNumbers(Collection<UUID> ids);

    /** Locks the rows in the order of their ids also against new rows of other tables that point to them. */
    @Query(value = "select id from person_file where id in (:ids) order by id for update", nativeQuery = true)
    List<UUID> lockWholly(Collection<UUID> ids);

    /** The file that stays where this one was merged into others. */
    @Query(value = """
                    with recursive way as (
                      select id, merged_into from person_file where id = :id and merged_into is not null
                      union all
                      select p.id, p.merged_into from person_file p join way w on p.id = w.merged_into
                    )
                    select f.* from person_file f join way w on w.id = f.id where w.merged_into is null
                    """, nativeQuery = true)
    Optional<PersonFile> findStayingFor(UUID id);

    /** The file and all that were merged into it, also by way of others. */
    @Query(value = """
                    with recursive way as (
                      select id from person_file where id = :id
                      union all
                      select p.id from person_file p join way w on p.merged_into = w.id
                    )
                    select id from way
                    """, nativeQuery = true)
    List<UUID> findWithMerged(UUID id);

    List<PersonFile> findByIdIn(Collection<UUID> ids);

    List<PersonFile> findByKindAndFamilyNameIgnoreCase(String kind, String familyName);

    List<PersonFile> findByFamilyNameIgnoreCaseAndGivenNameIgnoreCaseAndBirthDate(
            String familyName, String givenName, LocalDate birthDate);

    /** Locks the rows in the order of their ids against other changes of the same files. */
    @Query(value = "select id from person_file where id in (:ids) order by id for no key update", nativeQuery = true)
    List<UUID> lockByIds(Collection<UUID> ids);

    /** Those that name somebody by his number in one of these facts. */
    @Query("select distinct f from PersonFile f join f.facts x where x.value = :number and x.name in :facts")
    List<PersonFile> findEverNaming(String number, Collection<String> facts);

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
                      and f.merged_into is null
                      and (:kind = '' or f.kind = :kind)
                      and (:everybody or f.team = any(:teams) or f.id = any(:people))
                    order by case when :wanted = '' then 0
                                  when f.search_text like '%' || :pattern || '%' escape '!' then 0 else 1 end,
                             case when :wanted = '' then 0 else 1 - word_similarity(:wanted, f.search_text) end,
                             f.family_name, f.given_name, f.number
                    limit :most
                    """, nativeQuery = true)
    List<PersonFile> find(
            String wanted, String pattern, String kind, boolean everybody, String[] teams, UUID[] people, int most);

    long countByTeamAndMergedIntoIsNull(String team);

    /** Files of which a fact names the person of this file on a day, by its number. */
    @Query("""
            select f.id from PersonFile f join f.facts a
            where a.value = (select own.number from PersonFile own where own.id = :ownFile)
              and (a.fromDay is null or a.fromDay <= :day) and (a.toDay is null or a.toDay >= :day)
            """)
    Set<UUID> findNaming(UUID ownFile, LocalDate day);

    /** Nobody else changes the person until the transaction ends. */
    @Lock(LockModeType.PESSIMISTIC_WRITE)
    @Query("select f from PersonFile f where f.id = :id")
    Optional<PersonFile> findToChange(UUID id);

    /** The person stays as it is until the transaction ends. */
    @Lock(LockModeType.PESSIMISTIC_READ)
    @Query("select f from PersonFile f where f.id = :id")
    Optional<PersonFile> findUnchanging(UUID id);

    /** The database takes along what names it, in whatever table; hence by SQL, and nothing read before holds any more. */
    @Modifying(flushAutomatically = true, clearAutomatically = true)
    @Query(value = "delete from person_file where id = :id", nativeQuery = true)
    void remove(UUID id);
}
