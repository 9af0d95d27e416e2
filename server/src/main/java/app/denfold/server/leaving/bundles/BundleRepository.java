package app.denfold.server.leaving.bundles;

import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.CrudRepository;

interface BundleRepository extends CrudRepository<Bundle, UUID> {

    /** Of a file, and of several files with a paper of these among them. As SQL, since overlap of arrays is an operator there. */
    @Query(
            value = "select * from bundle where file_id = :fileId or file_id is null and documents && :papers"
                    + " order by name, id",
            nativeQuery = true)
    List<Bundle> findOf(UUID fileId, UUID[] papers);

    int countByFileId(UUID fileId);

    int countByFileIdIsNull();
}
