-- Up Migration

-- Pictures of a session, of a knife (with the entry of its log they belong to), or of an accident. Where they lie in a
-- folder, the row says how large they are and holds no bytes.
alter table session_photos rename to photos;
alter index session_photos_by_session rename to photos_by_session;
alter table photos
  alter column session_id drop not null,
  alter column bytes drop not null,
  add column knife_id uuid,
  add column event_id uuid,
  add column incident_id uuid,
  add column size integer check (size between 1 and 400000),
  add constraint photos_of_one_thing check (num_nonnulls(session_id, knife_id, incident_id) = 1),
  add constraint photos_of_entry check (event_id is null or knife_id is not null),
  add constraint photos_somewhere check (num_nonnulls(bytes, size) >= 1),
  add foreign key (house_id, knife_id) references knives (house_id, id) on delete cascade,
  add foreign key (house_id, incident_id) references incidents (house_id, id) on delete cascade;
create index photos_by_knife on photos (house_id, knife_id, at desc) where knife_id is not null;
create index photos_by_incident on photos (house_id, incident_id) where incident_id is not null;

alter table houses add column photo_quota_mb integer not null default 500 check (photo_quota_mb between 0 and 100000);

-- What hurt a blade, and which, where somebody says so.
alter table incidents
  add column cause text not null default '' check (length(cause) <= 40),
  add column knife_id uuid,
  add foreign key (house_id, knife_id) references knives (house_id, id) on delete set null (knife_id);

-- Down Migration

alter table incidents drop column knife_id, drop column cause;
alter table houses drop column photo_quota_mb;
delete from photos where session_id is null or bytes is null;
alter table photos
  drop column size, drop column incident_id, drop column event_id, drop column knife_id,
  alter column bytes set not null,
  alter column session_id set not null;
alter index photos_by_session rename to session_photos_by_session;
alter table photos rename to session_photos;
