-- Whether the mail that told a signer reached the mail server is told by that notice.
alter table signature_turn add column notice_id uuid;

-- How much of signers' mail addresses stands on the evidence of a sealed copy.
alter table practice add column evidence_addresses text not null default 'SHORT'
    check (evidence_addresses in ('NONE', 'SHORT', 'FULL'));
