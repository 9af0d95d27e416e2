-- what somebody is in the practice, such as lead therapist
alter table account add column title text;
