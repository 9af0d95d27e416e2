-- Mails that the mail server has just taken, until that is noted of many together: what dies in between is not sent twice.
create table notice_handed_over (notice_id uuid primary key);
