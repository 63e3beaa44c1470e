CREATE TABLE `pairs` (
	`id` text PRIMARY KEY NOT NULL,
	`visit_id` text NOT NULL,
	`run_id` text NOT NULL,
	`kind` text NOT NULL,
	`code_digest` text NOT NULL,
	`word_digest` text,
	`device` text,
	`made_at_ms` integer NOT NULL,
	`ended_at_ms` integer,
	FOREIGN KEY (`visit_id`) REFERENCES `visits`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE UNIQUE INDEX `pairs_code_digest_unique` ON `pairs` (`code_digest`);--> statement-breakpoint
CREATE UNIQUE INDEX `pairs_word_digest_unique` ON `pairs` (`word_digest`);--> statement-breakpoint
CREATE INDEX `pairs_by_run` ON `pairs` (`run_id`);--> statement-breakpoint
CREATE INDEX `pairs_by_visit` ON `pairs` (`visit_id`);