-- Up Migration

-- With what a server signs what it hands to a device, to know it again when it comes back.
create table house_keys (
  house_id uuid primary key references houses (id) on delete cascade,
  key bytea not null check (length(key) >= 32)
);

-- Down Migration

drop table house_keys;
