package app.denfold.server.access.signin;

import app.denfold.server.access.Viewer;
import app.denfold.server.access.accounts.Accounts;
import app.denfold.server.access.accounts.Post;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** Tells an account about itself. */
@Component
class ShowMe {

    private final Accounts accounts;

    ShowMe(Accounts accounts) {
        this.accounts = accounts;
    }

    Me of(Viewer viewer) {
        return of(viewer, List.of(), null);
    }

    Me of(Viewer viewer, List<UUID> lockedTo, @Nullable UUID lockedToTurn) {
        Post post = accounts.postOf(viewer.accountId());
        return new Me(
                viewer.accountId(),
                viewer.name(),
                viewer.email(),
                viewer.role(),
                viewer.mayChange(),
                viewer.seesSensitive(),
                viewer.marking(),
                post.ownFile() != null,
                lockedTo,
                lockedToTurn,
                post.desk());
    }
}
