-- Up Migration

-- taking a house's whole log out, a page at a time
create index events_by_time on events (house_id, at, id);

-- Down Migration

drop index events_by_time;
