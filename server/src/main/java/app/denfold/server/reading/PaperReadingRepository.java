package app.denfold.server.reading;

import java.util.Collection;
import java.util.List;
import org.springframework.data.repository.CrudRepository;

interface PaperReadingRepository extends CrudRepository<PaperReading, String> {

    List<PaperReading> findBySha256In(Collection<String> hashes);
}
