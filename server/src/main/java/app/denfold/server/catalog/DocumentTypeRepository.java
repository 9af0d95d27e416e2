package app.denfold.server.catalog;

import java.util.List;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.CrudRepository;

public interface DocumentTypeRepository extends CrudRepository<KeptDocumentType, String> {
    List<KeptDocumentType> findAllByOrderByLabel();

    boolean existsBySection(String section);

    record InSection(String code, String section) {}

    /** Types that are sensitive themselves, or by the section in which their papers lie. */
    @Query("""
            select t.code, t.section from KeptDocumentType t
            where t.sensitive = true
              or exists (select 1 from Section s where s.code = t.section and s.sensitive = true)
            """)
    List<InSection> findSensitive();
}
