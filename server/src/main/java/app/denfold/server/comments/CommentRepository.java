package app.denfold.server.comments;

import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.CrudRepository;

interface CommentRepository extends CrudRepository<Comment, UUID> {

    List<Comment> findByDocumentIdOrderByAtAscId(UUID documentId);

    /** Those that mention a colleague who has not read them, oldest first. */
    @Query("""
            select c from Comment c join c.mentions m
            where m.accountId = :account and m.seenAt is null order by c.at, c.id
            """)
    List<Comment> findUnseen(UUID account);

    @Query("""
            select c from Comment c join c.mentions m
            where c.documentId = :document and m.accountId = :account and m.seenAt is null
            """)
    List<Comment> findUnseenOn(UUID document, UUID account);
}
