-- Up Migration

-- Open streams and sockets end with what let them in: servers are told of the house whose sessions, tablets or keys ended.
create function tell_doors() returns trigger language plpgsql as $$
begin
  perform pg_notify('yorvik_doors', old.house_id::text);
  return null;
end
$$;
create trigger sessions_ended after delete on sessions for each row execute function tell_doors();
create trigger devices_ended after update of revoked_at on devices for each row execute function tell_doors();

-- Down Migration

drop trigger devices_ended on devices;
drop trigger sessions_ended on sessions;
drop function tell_doors;
