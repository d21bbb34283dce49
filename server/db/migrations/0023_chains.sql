-- Up Migration

-- People of several houses that are one human share an account, and go from one house to the other.
alter table people add column account_id uuid;
create index people_account on people (account_id) where account_id is not null;
create unique index people_account_house on people (house_id, account_id) where account_id is not null;

-- A code of whoever has the machine leaves the account as it is; a manager's does not reach beyond the house.
alter table door_codes add column of_machine boolean not null default false;

-- Houses of one owner. A house is in one chain at the most, and says itself whether its people are named there.
create table chains (
  id uuid primary key,
  name text not null check (length(name) between 1 and 80),
  made_at timestamptz not null default now()
);
create table chain_houses (
  house_id uuid primary key references houses (id) on delete cascade,
  chain_id uuid not null references chains (id) on delete cascade,
  names_allowed boolean not null default false,
  joined_at timestamptz not null default now()
);
create index chain_houses_chain on chain_houses (chain_id);
create table chain_owners (
  chain_id uuid not null references chains (id) on delete cascade,
  account_id uuid not null,
  primary key (chain_id, account_id)
);
-- Links by which a house comes to a chain, each once.
create table chain_links (
  code_hash bytea primary key,
  chain_id uuid not null references chains (id) on delete cascade,
  expires_at timestamptz not null
);
create trigger trail after insert or update or delete on chain_houses for each row execute function keep_trail('chain_id', 'joined_at');

-- Down Migration

drop trigger trail on chain_houses;
drop table chain_links;
drop table chain_owners;
drop table chain_houses;
drop table chains;
alter table door_codes drop column of_machine;
drop index people_account_house;
drop index people_account;
alter table people drop column account_id;
