package app.denfold.server.access.signin;

import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.session.config.SessionRepositoryCustomizer;
import org.springframework.session.jdbc.JdbcIndexedSessionRepository;
import org.springframework.session.jdbc.PostgreSqlJdbcIndexedSessionRepositoryCustomizer;

/**
 * Writes when a session was last used once a minute and not with every request: a page asks for much at once, and each
 * write waits for the disk. Sessions therefore end up to a minute early.
 */
@Configuration
class SessionWrites {

    /** The parameters stand in the order in which the repository sets them. */
    private static final String ONCE_A_MINUTE = """
            update %TABLE_NAME% s
            set session_id = v.session_id, last_access_time = v.last_access, max_inactive_interval = v.inactive,
                expiry_time = v.expiry, principal_name = v.principal
            from (values (cast(? as varchar), cast(? as bigint), cast(? as integer), cast(? as bigint),
                          cast(? as varchar), cast(? as varchar)))
                as v (session_id, last_access, inactive, expiry, principal, primary_id)
            where s.primary_id = v.primary_id
              and (s.last_access_time < v.last_access - 60000 or s.session_id <> v.session_id
                   or s.max_inactive_interval <> v.inactive or s.principal_name is distinct from v.principal)
            """;

    @Bean
    SessionRepositoryCustomizer<JdbcIndexedSessionRepository> seldomWritten() {
        return repository -> repository.setUpdateSessionQuery(ONCE_A_MINUTE);
    }

    /** Two requests of one session, or two threads of one that streams, may add the same attribute: the later one holds. */
    @Bean
    SessionRepositoryCustomizer<JdbcIndexedSessionRepository> attributesOfTwoAtOnce() {
        return new PostgreSqlJdbcIndexedSessionRepositoryCustomizer();
    }
}
