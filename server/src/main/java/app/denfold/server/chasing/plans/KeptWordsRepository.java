package app.denfold.server.chasing.plans;

import java.util.List;
import java.util.UUID;
import org.springframework.data.repository.ListCrudRepository;

interface KeptWordsRepository extends ListCrudRepository<KeptWords, UUID> {

    List<KeptWords> findAllByOrderByNameAscIdAsc();
}
