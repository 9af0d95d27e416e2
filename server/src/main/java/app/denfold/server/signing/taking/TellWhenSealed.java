package app.denfold.server.signing.taking;

import app.denfold.core.signing.RequestState;
import app.denfold.server.signing.requests.SignatureRequestRepository;
import app.denfold.server.signing.sealing.SealSigned.RequestSealed;
import app.denfold.server.signing.telling.TellSigners;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** All who signed get their copy once it is sealed. */
@Component
class TellWhenSealed {

    private final SignatureRequestRepository requests;
    private final TellSigners tell;

    TellWhenSealed(SignatureRequestRepository requests, TellSigners tell) {
        this.requests = requests;
        this.tell = tell;
    }

    @EventListener
    void on(RequestSealed event) {
        requests.findById(event.requestId())
                .filter(r -> !r.isAtDesk() && r.state() == RequestState.COMPLETE)
                .ifPresent(tell::allSigned);
    }
}
