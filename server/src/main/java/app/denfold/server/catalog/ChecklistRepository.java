package app.denfold.server.catalog;

import java.util.List;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.CrudRepository;

public interface ChecklistRepository extends CrudRepository<KeptChecklist, String> {
    @Query("select distinct c from KeptChecklist c left join fetch c.versions order by c.ordinal, c.code")
    List<KeptChecklist> findAllWithVersions();
}
