-- whoever was written to before being a guest of the file is asked once he becomes one
alter table ask add column address text;
