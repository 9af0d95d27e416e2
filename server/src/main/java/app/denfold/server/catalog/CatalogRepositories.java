package app.denfold.server.catalog;

import jakarta.persistence.LockModeType;
import java.util.List;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.CrudRepository;

public final class CatalogRepositories {

    private CatalogRepositories() {}

    public interface Sections extends CrudRepository<Section, String> {
        List<Section> findAllByOrderByOrdinal();
    }

    public interface Types extends CrudRepository<KeptDocumentType, String> {
        List<KeptDocumentType> findAllByOrderByLabel();

        boolean existsBySection(String section);

        @Query("select t.code from KeptDocumentType t where t.sensitive = true")
        List<String> findSensitiveCodes();
    }

    public interface Checklists extends CrudRepository<KeptChecklist, String> {
        @Query("select distinct c from KeptChecklist c left join fetch c.versions order by c.ordinal, c.code")
        List<KeptChecklist> findAllWithVersions();
    }

    interface Revisions extends CrudRepository<RulesRevision, Short> {
        @Query("select r.revision from RulesRevision r")
        long current();

        @Query("select r.slotsRevision from RulesRevision r")
        long currentOfSlots();

        @Lock(LockModeType.PESSIMISTIC_WRITE)
        @Query("select r from RulesRevision r")
        RulesRevision lock();
    }
}
