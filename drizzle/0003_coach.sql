CREATE TABLE `note_additions` (
	`id` text PRIMARY KEY NOT NULL,
	`visit_id` text NOT NULL,
	`at` text NOT NULL,
	`text` text NOT NULL,
	FOREIGN KEY (`visit_id`) REFERENCES `visits`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `note_additions_by_visit` ON `note_additions` (`visit_id`);--> statement-breakpoint
CREATE TABLE `own_breath` (
	`id` text PRIMARY KEY NOT NULL,
	`at` text NOT NULL,
	`day` text NOT NULL,
	`value` text NOT NULL,
	`retracted_at` text
);
--> statement-breakpoint
CREATE TABLE `run_members` (
	`run_id` text NOT NULL,
	`visit_id` text NOT NULL,
	`client_id` text NOT NULL,
	`place` integer NOT NULL,
	FOREIGN KEY (`run_id`) REFERENCES `runs`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`visit_id`) REFERENCES `visits`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`client_id`) REFERENCES `clients`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE UNIQUE INDEX `run_members_once` ON `run_members` (`run_id`,`visit_id`);--> statement-breakpoint
CREATE INDEX `run_members_by_visit` ON `run_members` (`visit_id`);--> statement-breakpoint
CREATE TABLE `visit_notes` (
	`visit_id` text PRIMARY KEY NOT NULL,
	`at` text NOT NULL,
	`text` text NOT NULL,
	`home` text NOT NULL,
	`revision` integer NOT NULL,
	`signed_at` text,
	FOREIGN KEY (`visit_id`) REFERENCES `visits`(`id`) ON UPDATE no action ON DELETE no action
);
