-- plain names for what was called a look: who has an arrival open, and how a page looks
alter table arrival_look rename to arrival_presence;
alter table paper_page rename column look to perceptual_hash;
alter index paper_page_look rename to paper_page_perceptual_hash;
