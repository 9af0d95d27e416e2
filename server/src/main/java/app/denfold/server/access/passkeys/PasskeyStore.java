package app.denfold.server.access.passkeys;

import org.springframework.jdbc.core.JdbcOperations;
import org.springframework.security.web.webauthn.management.JdbcPublicKeyCredentialUserEntityRepository;
import org.springframework.security.web.webauthn.management.JdbcUserCredentialRepository;
import org.springframework.security.web.webauthn.management.PublicKeyCredentialUserEntityRepository;
import org.springframework.security.web.webauthn.management.UserCredentialRepository;
import org.springframework.stereotype.Component;

/** Passkeys and who has them, in the two tables that Spring Security describes. */
@Component
class PasskeyStore {

    private final PublicKeyCredentialUserEntityRepository holders;
    private final UserCredentialRepository keys;

    PasskeyStore(JdbcOperations jdbc) {
        this.holders = new JdbcPublicKeyCredentialUserEntityRepository(jdbc);
        this.keys = new JdbcUserCredentialRepository(jdbc);
    }

    PublicKeyCredentialUserEntityRepository holders() {
        return holders;
    }

    UserCredentialRepository keys() {
        return keys;
    }
}
