CREATE TABLE `run_summaries` (
	`run_id` text NOT NULL,
	`client_id` text NOT NULL,
	`formula` integer NOT NULL,
	`next_seq` integer NOT NULL,
	`value` text NOT NULL,
	PRIMARY KEY(`run_id`, `client_id`),
	FOREIGN KEY (`run_id`) REFERENCES `runs`(`id`) ON UPDATE no action ON DELETE no action
) WITHOUT ROWID;
--> statement-breakpoint
CREATE TABLE `set_asides` (
	`of_table` text NOT NULL,
	`record_id` text NOT NULL,
	`at` text NOT NULL,
	PRIMARY KEY(`of_table`, `record_id`)
) WITHOUT ROWID;
--> statement-breakpoint
CREATE TABLE `taken` (
	`id` blob PRIMARY KEY NOT NULL,
	`at_epoch_ms` integer NOT NULL,
	`revision` integer,
	`why` text
) WITHOUT ROWID;
--> statement-breakpoint
INSERT OR IGNORE INTO `taken`("id", "at_epoch_ms", "revision", "why")
SELECT unhex(replace("id", '-', '')), CAST(coalesce(strftime('%s', "at"), 0) AS integer) * 1000,
	CASE WHEN json_valid("outcome") THEN coalesce(json_extract("outcome", '$.revision'), json_extract("outcome", '$.theirs.revision')) END,
	CASE WHEN json_valid("outcome") AND json_extract("outcome", '$.state') = 'conflict' THEN json_extract("outcome", '$.why') END
FROM `commands` WHERE unhex(replace("id", '-', '')) IS NOT NULL AND "kind" <> 'run.append';--> statement-breakpoint
DROP TABLE `commands`;--> statement-breakpoint
CREATE TABLE `__new_run_events` (
	`run_id` text NOT NULL,
	`seq` integer NOT NULL,
	`id` blob NOT NULL,
	`at_epoch_ms` integer NOT NULL,
	`type` text NOT NULL,
	`event` text NOT NULL,
	PRIMARY KEY(`run_id`, `seq`),
	FOREIGN KEY (`run_id`) REFERENCES `runs`(`id`) ON UPDATE no action ON DELETE no action
) WITHOUT ROWID;
--> statement-breakpoint
INSERT INTO `__new_run_events`("run_id", "seq", "id", "at_epoch_ms", "type", "event")
SELECT "run_id", "seq", coalesce(unhex(replace("id", '-', '')), randomblob(16)), "at_epoch_ms", "type", "event" FROM `run_events`;--> statement-breakpoint
DROP TABLE `run_events`;--> statement-breakpoint
ALTER TABLE `__new_run_events` RENAME TO `run_events`;--> statement-breakpoint
CREATE INDEX `run_events_stops` ON `run_events` (`run_id`,`at_epoch_ms`,`seq`) WHERE type in ('stop', 'reviewed', 'swap');--> statement-breakpoint
DROP INDEX `appointments_by_start`;--> statement-breakpoint
CREATE INDEX `appointments_by_start` ON `appointments` (`starts_at`) WHERE cancelled_at is null;--> statement-breakpoint
ALTER TABLE `run_members` ADD `sits_out` text DEFAULT '[]' NOT NULL;--> statement-breakpoint
ALTER TABLE `runs` ADD `ended_at` text;--> statement-breakpoint
UPDATE `runs` SET "ended_at" = (
	SELECT strftime('%Y-%m-%dT%H:%M:%fZ', e."at_epoch_ms" / 1000.0, 'unixepoch') FROM `run_events` e
	WHERE e."run_id" = `runs`."id" AND (e."type" = 'end' OR (e."type" = 'settled' AND json_valid(e."event")
		AND json_extract(e."event", '$.then') IN ('end', 'refer') AND json_extract(e."event", '$.who') IS NULL))
	ORDER BY e."seq" LIMIT 1);--> statement-breakpoint
UPDATE `runs` SET "items" = (
	SELECT json_group_array(CASE j."type" WHEN 'object' THEN json_set(j."value", '$.reasons', json('[]')) ELSE json(json_quote(j."value")) END)
	FROM json_each(`runs`."items") j)
WHERE json_valid("items") AND json_type("items") = 'array';--> statement-breakpoint
UPDATE `plans` SET "value" = json_set("value", '$.refusals', json('[]')) WHERE json_valid("value") AND json_type("value") = 'object';--> statement-breakpoint
CREATE INDEX `runs_open` ON `runs` (`at`) WHERE ended_at is null;--> statement-breakpoint
CREATE INDEX `clients_by_created` ON `clients` (`created_at`);--> statement-breakpoint
CREATE INDEX `visits_open` ON `visits` (`started_at`) WHERE ended_at is null;--> statement-breakpoint
DROP INDEX `facts_by_client`;--> statement-breakpoint
CREATE INDEX `facts_by_key` ON `facts` (`client_id`,`key`,`at`);
