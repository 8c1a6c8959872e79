<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    /** What refers to another row and had no index of its own: taking that row away looked through all of the table. */
    private const REFERENCES = [
        'memberships' => ['business_id'], 'drafts' => ['edited_by', 'script_text_id'], 'releases' => ['released_by', 'script_text_id'], 'contact_numbers' => ['contact_id'],
        'draft_versions' => ['user_id', 'script_text_id'], 'recordings' => ['user_id'], 'audit_entries' => ['user_id'], 'contact_changes' => ['user_id', 'call_id'], 'contact_imports' => ['user_id', 'business_id'],
        'people' => ['user_id'], 'person_team' => ['person_id'], 'offers' => ['person_id'], 'call_backs' => ['person_id', 'call_id'], 'record_sheets' => ['business_id'], 'sheet_versions' => ['user_id'],
        'records' => ['record_sheet_id'], 'record_checks' => ['user_id', 'release_id', 'business_id'], 'readings_again' => ['record_sheet_id', 'agent_id', 'business_id'], 'readings_again_rows' => ['call_id'],
        'delivery_rules' => ['agent_id', 'business_id'], 'deliveries' => ['delivery_rule_id', 'call_id'], 'file_rows' => ['delivery_rule_id'], 'gateway_receipts' => ['business_id'], 'saved_filters' => ['user_id'],
        'knowledge_passages' => ['knowledge_source_id'], 'knowledge_tables' => ['knowledge_source_id', 'business_id'], 'knowledge_postings' => ['passage_id'], 'knowledge_questions' => ['call_id'],
        'enclosures' => ['user_id'], 'saying_marks' => ['user_id'], 'calls' => ['rung_by', 'contact_id', 'release_id', 'script_text_id'],
    ];

    public function up(): void
    {
        if (DB::getDriverName() !== 'sqlite') {
            // In SQLite it is a full-text index, whose row has the number of its call.
            Schema::table('call_search', static fn (Blueprint $table) => $table->index('call_id'));
        }
        foreach (self::REFERENCES as $name => $columns) {
            Schema::table($name, static function (Blueprint $table) use ($columns): void {
                foreach ($columns as $column) {
                    $table->index($column);
                }
            });
        }
    }
};
