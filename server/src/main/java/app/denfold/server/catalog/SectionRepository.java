package app.denfold.server.catalog;

import java.util.List;
import org.springframework.data.repository.CrudRepository;

public interface SectionRepository extends CrudRepository<Section, String> {
    List<Section> findAllByOrderByOrdinal();
}
