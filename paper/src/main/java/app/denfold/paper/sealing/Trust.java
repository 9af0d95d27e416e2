package app.denfold.paper.sealing;

import java.util.List;

/**
 * By what a seal is known, all in DER.
 *
 * @param certificates of the key that seals, its own first, the one to be trusted last
 * @param revoked lists of certificates that hold no longer (RFC 5280), so that a stranger needs to ask nobody
 * @param authorities certificates of time-stamp authorities that are trusted besides
 */
public record Trust(List<byte[]> certificates, List<byte[]> revoked, List<byte[]> authorities) {

    public Trust {
        certificates = List.copyOf(certificates);
        revoked = List.copyOf(revoked);
        authorities = List.copyOf(authorities);
    }
}
