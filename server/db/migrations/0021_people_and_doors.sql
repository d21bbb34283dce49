-- Up Migration

-- Sessions can be listed and ended one by one by whoever they belong to.
alter table sessions add column id uuid not null default gen_random_uuid();
alter table sessions add column agent text not null default '' check (length(agent) <= 200);
create unique index sessions_id on sessions (house_id, id);

-- A code that lets one person choose a password, once: given by a manager, or by whoever has the machine.
create table door_codes (
  house_id uuid not null,
  code_hash bytea not null,
  person_id uuid not null,
  expires_at timestamptz not null,
  primary key (house_id, code_hash),
  foreign key (house_id, person_id) references people (house_id, id) on delete cascade
);
create index door_codes_by_hash on door_codes (code_hash);

-- Who changed what of the house, written by the database itself in the same transaction, so that nothing is left out.
create table trail (
  house_id uuid not null references houses (id),
  entry bigint generated always as identity,
  at timestamptz not null default now(),
  person_id uuid,
  device_id uuid,
  subject text not null check (length(subject) between 1 and 40),
  subject_id text not null check (length(subject_id) <= 80),
  act text not null check (act in ('added', 'changed', 'removed', 'signed-in', 'locked-out', 'exported')),
  -- what changed: column to what it was and what it is; secrets and long texts only say that they did
  changed jsonb not null default '{}',
  primary key (house_id, entry)
);

create function refuse_trail_change() returns trigger language plpgsql as $$
begin
  raise exception 'the trail is append-only';
end
$$;
create trigger trail_append_only before update or delete on trail for each row execute function refuse_trail_change();
create trigger trail_never_emptied before truncate on trail for each statement execute function refuse_trail_change();

-- The first argument names the column that tells one row from another; the second those whose change alone is no news.
create function keep_trail() returns trigger language plpgsql as $$
declare
  before jsonb := case when tg_op = 'INSERT' then '{}'::jsonb else to_jsonb(old) end;
  after jsonb := case when tg_op = 'DELETE' then '{}'::jsonb else to_jsonb(new) end;
  row_now jsonb := case when tg_op = 'DELETE' then to_jsonb(old) else to_jsonb(new) end;
  untold constant text[] := array['password_hash', 'pin_hash', 'token_hash', 'recipe'];
  quiet constant text[] := string_to_array(tg_argv[1], ',') || array['house_id', 'id'];
  told jsonb;
begin
  select coalesce(
           jsonb_object_agg(
             key,
             case when key = any (untold) then to_jsonb(true)
                  else jsonb_build_array(before -> key, after -> key) end
           ),
           '{}'::jsonb
         )
  into told
  from (select jsonb_object_keys(before || after) as key) as keys
  where key <> all (quiet)
    and coalesce(before -> key, 'null'::jsonb) is distinct from coalesce(after -> key, 'null'::jsonb);
  if tg_op = 'UPDATE' and told = '{}'::jsonb then
    return null;
  end if;
  insert into trail (house_id, person_id, device_id, subject, subject_id, act, changed)
  values (
    coalesce(row_now ->> 'house_id', row_now ->> 'id')::uuid,
    nullif(current_setting('yorvik.person', true), '')::uuid,
    nullif(current_setting('yorvik.device', true), '')::uuid,
    tg_table_name,
    left(coalesce(row_now ->> tg_argv[0], ''), 80),
    case tg_op when 'INSERT' then 'added' when 'UPDATE' then 'changed' else 'removed' end,
    told
  );
  return null;
end
$$;
create trigger trail after insert or update or delete on houses for each row execute function keep_trail('id', 'revision');
create trigger trail after insert or update or delete on people for each row execute function keep_trail('id', '');
create trigger trail after insert or update or delete on person_skills for each row execute function keep_trail('person_id', 'signed_at');
create trigger trail after insert or update or delete on devices for each row execute function keep_trail('id', 'enrolled_at');
create trigger trail after insert or update or delete on stations for each row execute function keep_trail('id', '');
create trigger trail after insert or update or delete on gear for each row
  execute function keep_trail('id', 'knives_since,flattened_at,dish_mm');
create trigger trail after insert or update or delete on recipes for each row execute function keep_trail('id', '');
create trigger trail after insert or update or delete on plans for each row execute function keep_trail('version', 'plan,accepted_at,accepted_by');

create function keep_sign_in() returns trigger language plpgsql as $$
begin
  insert into trail (house_id, person_id, device_id, subject, subject_id, act)
  values (new.house_id, new.person_id, new.device_id, 'people', new.person_id, 'signed-in');
  return null;
end
$$;
create trigger trail after insert on sessions for each row execute function keep_sign_in();

-- Down Migration

drop trigger trail on sessions;
drop trigger trail on plans;
drop trigger trail on recipes;
drop trigger trail on gear;
drop trigger trail on stations;
drop trigger trail on devices;
drop trigger trail on person_skills;
drop trigger trail on people;
drop trigger trail on houses;
drop function keep_sign_in;
drop function keep_trail;
drop table trail;
drop function refuse_trail_change;
drop table door_codes;
drop index sessions_id;
alter table sessions drop column agent, drop column id;
