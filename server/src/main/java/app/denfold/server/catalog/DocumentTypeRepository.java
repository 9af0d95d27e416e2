package app.denfold.server.catalog;

import java.util.List;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.CrudRepository;

public interface DocumentTypeRepository extends CrudRepository<KeptDocumentType, String> {
    List<KeptDocumentType> findAllByOrderByLabel();

    boolean existsBySection(String section);

    @Query("select t.code from KeptDocumentType t where t.sensitive = true")
    List<String> findSensitiveCodes();
}
