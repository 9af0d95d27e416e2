package app.denfold.server.access;

import java.time.Instant;
import java.util.UUID;
import org.springframework.data.repository.CrudRepository;

interface SignInFailureRepository extends CrudRepository<SignInFailure, UUID> {

    long countByEmailAndAtAfter(String email, Instant since);

    long countByAddressAndAtAfter(String address, Instant since);

    void deleteByEmail(String email);
}
