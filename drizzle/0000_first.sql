CREATE TABLE `appointments` (
	`id` text PRIMARY KEY NOT NULL,
	`client_id` text NOT NULL,
	`starts_at` text NOT NULL,
	`minutes` integer NOT NULL,
	`note` text NOT NULL,
	`cancelled_at` text,
	FOREIGN KEY (`client_id`) REFERENCES `clients`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `appointments_by_start` ON `appointments` (`starts_at`);--> statement-breakpoint
CREATE TABLE `clients` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`created_at` text NOT NULL
);
--> statement-breakpoint
CREATE INDEX `clients_by_name` ON `clients` (`name`);--> statement-breakpoint
CREATE TABLE `commands` (
	`id` text PRIMARY KEY NOT NULL,
	`kind` text NOT NULL,
	`at` text NOT NULL,
	`outcome` text NOT NULL
);
--> statement-breakpoint
CREATE TABLE `facts` (
	`id` text PRIMARY KEY NOT NULL,
	`client_id` text NOT NULL,
	`key` text NOT NULL,
	`value` text NOT NULL,
	`at` text NOT NULL,
	`day` text NOT NULL,
	`zone` text NOT NULL,
	`retracted_at` text,
	FOREIGN KEY (`client_id`) REFERENCES `clients`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `facts_by_client` ON `facts` (`client_id`,`at`);--> statement-breakpoint
CREATE TABLE `looks` (
	`id` text PRIMARY KEY NOT NULL,
	`visit_id` text NOT NULL,
	`protocol` text NOT NULL,
	`version` integer NOT NULL,
	`moment` text NOT NULL,
	`taken_at` text NOT NULL,
	`raw` text NOT NULL,
	`revision` integer NOT NULL,
	`retracted_at` text,
	FOREIGN KEY (`visit_id`) REFERENCES `visits`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `looks_by_visit` ON `looks` (`visit_id`);--> statement-breakpoint
CREATE TABLE `plans` (
	`id` text PRIMARY KEY NOT NULL,
	`visit_id` text NOT NULL,
	`at` text NOT NULL,
	`value` text NOT NULL,
	`revision` integer NOT NULL,
	FOREIGN KEY (`visit_id`) REFERENCES `visits`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE UNIQUE INDEX `plans_by_visit` ON `plans` (`visit_id`);--> statement-breakpoint
CREATE TABLE `readings` (
	`id` text PRIMARY KEY NOT NULL,
	`visit_id` text NOT NULL,
	`at` text NOT NULL,
	`value` text NOT NULL,
	FOREIGN KEY (`visit_id`) REFERENCES `visits`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `readings_by_visit` ON `readings` (`visit_id`);--> statement-breakpoint
CREATE TABLE `run_events` (
	`id` text PRIMARY KEY NOT NULL,
	`run_id` text NOT NULL,
	`seq` integer NOT NULL,
	`at_epoch_ms` integer NOT NULL,
	`type` text NOT NULL,
	`event` text NOT NULL,
	FOREIGN KEY (`run_id`) REFERENCES `runs`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE UNIQUE INDEX `run_events_once` ON `run_events` (`run_id`,`seq`);--> statement-breakpoint
CREATE INDEX `run_events_by_type` ON `run_events` (`type`);--> statement-breakpoint
CREATE TABLE `runs` (
	`id` text PRIMARY KEY NOT NULL,
	`visit_id` text NOT NULL,
	`at` text NOT NULL,
	`items` text NOT NULL,
	FOREIGN KEY (`visit_id`) REFERENCES `visits`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `runs_by_visit` ON `runs` (`visit_id`);--> statement-breakpoint
CREATE TABLE `settings` (
	`key` text PRIMARY KEY NOT NULL,
	`value` text NOT NULL
);
--> statement-breakpoint
CREATE TABLE `visits` (
	`id` text PRIMARY KEY NOT NULL,
	`client_id` text NOT NULL,
	`started_at` text NOT NULL,
	`day` text NOT NULL,
	`zone` text NOT NULL,
	`ended_at` text,
	FOREIGN KEY (`client_id`) REFERENCES `clients`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `visits_by_client` ON `visits` (`client_id`,`started_at`);--> statement-breakpoint
CREATE INDEX `visits_by_day` ON `visits` (`day`);