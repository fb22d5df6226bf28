ALTER TABLE `cup_soles` ADD `form` text DEFAULT 'cup' NOT NULL;--> statement-breakpoint
ALTER TABLE `cup_soles` ADD `stuff` text DEFAULT 'rubber' NOT NULL;