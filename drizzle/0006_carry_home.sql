CREATE TABLE `home_plans` (
	`visit_id` text PRIMARY KEY NOT NULL,
	`at` text NOT NULL,
	`value` text NOT NULL,
	`revision` integer NOT NULL,
	`handed_at` text,
	FOREIGN KEY (`visit_id`) REFERENCES `visits`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `home_returns` (
	`id` text PRIMARY KEY NOT NULL,
	`visit_id` text NOT NULL,
	`at` text NOT NULL,
	`code` text NOT NULL,
	FOREIGN KEY (`visit_id`) REFERENCES `visits`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `home_returns_by_visit` ON `home_returns` (`visit_id`);