package app.denfold.server.practice;

/** How much of signers' mail addresses stands on the evidence of a sealed copy. */
public enum EvidenceAddresses {
    NONE,
    /** So that whoever knows the address recognises it, and nobody else can use it. */
    SHORT,
    FULL
}
