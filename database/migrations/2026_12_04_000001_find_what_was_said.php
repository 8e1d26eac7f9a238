<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    /** It has gone out, or come in: what only waits was said to nobody yet. */
    private const SAID = '(%1$s.left_at is not null or %1$s.origin = \'them\')';

    private const PLAIN = [
        'à' => 'a', 'á' => 'a', 'â' => 'a', 'ã' => 'a', 'ä' => 'a', 'å' => 'a', 'ā' => 'a', 'ă' => 'a', 'ą' => 'a', 'ç' => 'c',
        'ć' => 'c', 'č' => 'c', 'ď' => 'd', 'è' => 'e', 'é' => 'e', 'ê' => 'e', 'ë' => 'e', 'ē' => 'e', 'ė' => 'e', 'ę' => 'e',
        'ě' => 'e', 'ğ' => 'g', 'ì' => 'i', 'í' => 'i', 'î' => 'i', 'ï' => 'i', 'ī' => 'i', 'į' => 'i', 'ñ' => 'n', 'ń' => 'n',
        'ň' => 'n', 'ò' => 'o', 'ó' => 'o', 'ô' => 'o', 'õ' => 'o', 'ö' => 'o', 'ō' => 'o', 'ő' => 'o', 'ŕ' => 'r', 'ř' => 'r',
        'ś' => 's', 'š' => 's', 'ş' => 's', 'ť' => 't', 'ù' => 'u', 'ú' => 'u', 'û' => 'u', 'ü' => 'u', 'ū' => 'u', 'ů' => 'u',
        'ű' => 'u', 'ý' => 'y', 'ÿ' => 'y', 'ž' => 'z', 'ź' => 'z', 'ż' => 'z',
    ];

    public function up(): void
    {
        if (DB::getDriverName() === 'pgsql') {
            // Without its accents, as SQLite's does it by itself; capitals too, since what "lower" knows is for a database's locale to say.
            $small = implode('', array_keys(self::PLAIN));
            $plain = implode('', self::PLAIN);
            // Dear: it is looked for in the index rather than asked of row after row.
            $capital = mb_strtoupper($small, 'UTF-8');
            DB::statement("create or replace function said_plainly(said text) returns text language plpgsql immutable parallel safe
                cost 1000 as \$\$ begin return translate(lower(said), '$small$capital', '$plain$plain'); end \$\$");
            DB::statement("create index messages_said on messages using gin (to_tsvector('simple', said_plainly(body)))
                where left_at is not null or origin = 'them'");

            return;
        }
        // The words alone: what they stand in is read from the messages themselves.
        DB::statement("create virtual table said using fts5(body, content='messages', content_rowid='id',
            tokenize=\"unicode61 remove_diacritics 2\")");
        // What was said and is not in it yet: a text that leaves waits for no index.
        DB::statement('create table said_since (id integer primary key)');
        $put = 'insert or ignore into said_since (id) values (new.id);';
        $take = "insert into said (said, rowid, body) select 'delete', old.id, old.body
            where not exists (select 1 from said_since where id = old.id); delete from said_since where id = old.id;";
        [$was, $is] = [sprintf(self::SAID, 'old'), sprintf(self::SAID, 'new')];
        DB::unprepared("create trigger said_insert after insert on messages when $is begin $put end");
        DB::unprepared("create trigger said_delete after delete on messages when $was begin $take end");
        DB::unprepared("create trigger said_left after update of left_at on messages when $is and not $was begin $put end");
        DB::unprepared("create trigger said_back after update of left_at on messages when $was and not $is begin $take end");
        DB::unprepared("create trigger said_other after update of body on messages when $was and $is and old.body is not new.body
            begin $take $put end");
        DB::statement('insert into said (rowid, body) select m.id, m.body from messages m where '.sprintf(self::SAID, 'm')
            .' order by m.id');
    }

    public function down(): void
    {
        if (DB::getDriverName() === 'pgsql') {
            DB::statement('drop index if exists messages_said');
            DB::statement('drop function if exists said_plainly');

            return;
        }
        foreach (['insert', 'delete', 'left', 'back', 'other'] as $name) {
            DB::unprepared("drop trigger if exists said_$name");
        }
        DB::statement('drop table if exists said');
        DB::statement('drop table if exists said_since');
    }
};
