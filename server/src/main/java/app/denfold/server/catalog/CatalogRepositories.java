package app.denfold.server.catalog;

import java.util.List;
import org.springframework.data.repository.CrudRepository;

final class CatalogRepositories {

    private CatalogRepositories() {}

    interface Sections extends CrudRepository<Section, String> {
        List<Section> findAllByOrderByOrdinal();
    }

    interface Types extends CrudRepository<PaperType, String> {
        List<PaperType> findAllByOrderByLabel();
    }

    interface Checklists extends CrudRepository<KeptChecklist, String> {
        List<KeptChecklist> findAllByOrderByOrdinal();
    }
}
