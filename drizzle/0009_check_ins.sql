CREATE TABLE `check_ins` (
	`id` text PRIMARY KEY NOT NULL,
	`visit_id` text NOT NULL,
	`digest` text NOT NULL,
	`at` text NOT NULL,
	`expires_at_ms` integer NOT NULL,
	`revoked_at` text,
	FOREIGN KEY (`visit_id`) REFERENCES `visits`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE UNIQUE INDEX `check_ins_digest_unique` ON `check_ins` (`digest`);--> statement-breakpoint
CREATE INDEX `check_ins_by_visit` ON `check_ins` (`visit_id`);