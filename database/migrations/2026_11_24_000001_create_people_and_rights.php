<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            CREATE EXTENSION IF NOT EXISTS ltree;
            CREATE EXTENSION IF NOT EXISTS pg_trgm;
            CREATE COLLATION IF NOT EXISTS by_name (provider = icu, locale = 'und-u-kn-true');

            CREATE TABLE users (
                id uuid PRIMARY KEY, name text NOT NULL CHECK (name <> ''), email text NOT NULL UNIQUE CHECK (email = lower(email)), password text NOT NULL,
                is_administrator boolean NOT NULL DEFAULT false, remember_token text, created_at timestamptz NOT NULL DEFAULT now(), updated_at timestamptz NOT NULL DEFAULT now()
            );
            CREATE TABLE teams (id uuid PRIMARY KEY, name text NOT NULL UNIQUE CHECK (name <> ''), created_at timestamptz NOT NULL DEFAULT now(), updated_at timestamptz NOT NULL DEFAULT now());
            CREATE TABLE memberships (
                team_id uuid NOT NULL REFERENCES teams ON DELETE CASCADE, user_id uuid NOT NULL REFERENCES users ON DELETE CASCADE, PRIMARY KEY (team_id, user_id)
            );
            CREATE INDEX memberships_user ON memberships (user_id);

            CREATE TABLE banks (
                id uuid PRIMARY KEY, slug text NOT NULL UNIQUE CHECK (slug ~ '^[a-z0-9]+(-[a-z0-9]+)*$'), name text NOT NULL CHECK (name <> ''), purpose text NOT NULL DEFAULT '',
                subject text NOT NULL DEFAULT '', level text NOT NULL DEFAULT '', course text NOT NULL DEFAULT '', term text NOT NULL DEFAULT '',
                archived_at timestamptz, created_at timestamptz NOT NULL DEFAULT now(), updated_at timestamptz NOT NULL DEFAULT now()
            );
            CREATE TYPE bank_role AS ENUM ('reader', 'writer', 'keeper');
            CREATE TABLE bank_grants (
                id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY, bank_id uuid NOT NULL REFERENCES banks ON DELETE CASCADE,
                user_id uuid REFERENCES users ON DELETE CASCADE, team_id uuid REFERENCES teams ON DELETE CASCADE, role bank_role NOT NULL,
                CHECK (num_nonnulls(user_id, team_id) = 1), UNIQUE (bank_id, user_id), UNIQUE (bank_id, team_id)
            );
            CREATE INDEX bank_grants_user ON bank_grants (user_id, bank_id);
            CREATE INDEX bank_grants_team ON bank_grants (team_id, bank_id);

            -- What a person may do in each bank: the greatest of their own grant and those of their teams.
            CREATE FUNCTION bank_roles(person uuid) RETURNS TABLE (bank_id uuid, role bank_role) LANGUAGE sql STABLE AS $$
                SELECT bank_grants.bank_id, max(bank_grants.role) FROM bank_grants
                WHERE bank_grants.user_id = person OR bank_grants.team_id IN (SELECT memberships.team_id FROM memberships WHERE memberships.user_id = person)
                GROUP BY bank_grants.bank_id
            $$;

            CREATE TABLE sessions (id text PRIMARY KEY, user_id uuid, ip_address text, user_agent text, payload text NOT NULL, last_activity integer NOT NULL);
            CREATE INDEX sessions_user ON sessions (user_id);
            CREATE INDEX sessions_activity ON sessions (last_activity);
            CREATE TABLE cache (key text PRIMARY KEY, value text NOT NULL, expiration integer NOT NULL);
            CREATE TABLE cache_locks (key text PRIMARY KEY, owner text NOT NULL, expiration integer NOT NULL);
            CREATE TABLE jobs (
                id bigserial PRIMARY KEY, queue text NOT NULL, payload text NOT NULL, attempts smallint NOT NULL, reserved_at integer, available_at integer NOT NULL, created_at integer NOT NULL
            );
            CREATE INDEX jobs_queue ON jobs (queue);
            CREATE TABLE failed_jobs (id bigserial PRIMARY KEY, uuid text NOT NULL UNIQUE, connection text NOT NULL, queue text NOT NULL, payload text NOT NULL, exception text NOT NULL, failed_at timestamptz NOT NULL DEFAULT now());
            CREATE TABLE idempotency_keys (
                user_id uuid NOT NULL REFERENCES users ON DELETE CASCADE, key text NOT NULL CHECK (length(key) BETWEEN 1 AND 200), fingerprint text NOT NULL,
                status integer, body text, created_at timestamptz NOT NULL DEFAULT now(), PRIMARY KEY (user_id, key)
            );
            SQL);
    }
};
