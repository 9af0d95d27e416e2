package app.denfold.server.relations;

import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface OutsiderRepository extends JpaRepository<Outsider, UUID> {

    /** Those whose names hold the text or come near it, who are something to a person of those; best first. */
    @Query(value = """
                    select o.* from outsider o
                    where (o.search_text like :pattern escape '!' or word_similarity(:wanted, o.search_text) >= 0.5)
                      and (:everybody or exists (
                        select 1 from relation r join person_file f on f.id = r.file_id
                        where r.outsider_id = o.id and (f.team = any(:teams) or f.id = any(:people)) and f.merged_into is null))
                    order by case when o.search_text like :pattern escape '!' then 0 else 1 end,
                             word_similarity(:wanted, o.search_text) desc, o.name, o.id
                    limit :most
                    """, nativeQuery = true)
    List<Outsider> find(String wanted, String pattern, boolean everybody, String[] teams, UUID[] people, int most);
}
