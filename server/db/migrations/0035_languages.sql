-- Up Migration

-- What the house speaks, and somebody who is at home in another language; null follows the house.
alter table houses add column language text not null default 'en' check (length(language) between 2 and 12);
alter table people add column language text check (length(language) between 2 and 12);

-- Down Migration

alter table people drop column language;
alter table houses drop column language;
