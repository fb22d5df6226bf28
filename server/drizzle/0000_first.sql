CREATE TABLE `lasts` (
	`id` text PRIMARY KEY NOT NULL,
	`version` integer DEFAULT 1 NOT NULL,
	`updated_at` text NOT NULL,
	`name` text NOT NULL,
	`note` text DEFAULT '' NOT NULL,
	`measures` text NOT NULL
);
--> statement-breakpoint
CREATE TABLE `materials` (
	`id` text PRIMARY KEY NOT NULL,
	`version` integer DEFAULT 1 NOT NULL,
	`updated_at` text NOT NULL,
	`name` text NOT NULL,
	`kind` text NOT NULL,
	`thickness` real NOT NULL,
	`note` text DEFAULT '' NOT NULL
);
--> statement-breakpoint
CREATE TABLE `pair_revisions` (
	`pair_id` text NOT NULL,
	`revision` integer NOT NULL,
	`parent` integer,
	`decisions` text NOT NULL,
	`at` text NOT NULL,
	PRIMARY KEY(`pair_id`, `revision`),
	FOREIGN KEY (`pair_id`) REFERENCES `pairs`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE TABLE `pairs` (
	`id` text PRIMARY KEY NOT NULL,
	`version` integer DEFAULT 1 NOT NULL,
	`updated_at` text NOT NULL,
	`order_number` text NOT NULL,
	`name` text NOT NULL,
	`trade` text DEFAULT '' NOT NULL,
	`note` text DEFAULT '' NOT NULL,
	`last_id` text NOT NULL,
	`head` integer NOT NULL,
	`created_at` text NOT NULL,
	FOREIGN KEY (`last_id`) REFERENCES `lasts`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `step_events` (
	`id` text PRIMARY KEY NOT NULL,
	`pair_id` text NOT NULL,
	`step` text NOT NULL,
	`what` text NOT NULL,
	`at` text NOT NULL,
	FOREIGN KEY (`pair_id`) REFERENCES `pairs`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `step_events_pair` ON `step_events` (`pair_id`,`at`);--> statement-breakpoint
CREATE TABLE `workshop` (
	`id` text PRIMARY KEY NOT NULL,
	`version` integer DEFAULT 1 NOT NULL,
	`updated_at` text NOT NULL,
	`house_rules` text NOT NULL
);
