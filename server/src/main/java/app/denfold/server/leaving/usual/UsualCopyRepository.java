package app.denfold.server.leaving.usual;

import app.denfold.server.leaving.Reader;
import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

interface UsualCopyRepository extends JpaRepository<UsualCopy, Reader.Kind> {

    @Override
    List<UsualCopy> findAll();
}
