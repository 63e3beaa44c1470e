CREATE TABLE `lifts` (
	`id` text PRIMARY KEY NOT NULL,
	`visit_id` text NOT NULL,
	`at` text NOT NULL,
	`value` text NOT NULL,
	`retracted_at` text,
	FOREIGN KEY (`visit_id`) REFERENCES `visits`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `lifts_by_visit` ON `lifts` (`visit_id`);