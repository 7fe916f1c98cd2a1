CREATE TABLE `calendar_links` (
	`id` char(36) NOT NULL,
	`house_id` char(36) NOT NULL,
	`person_id` char(36) NOT NULL,
	`content` varchar(8) NOT NULL,
	`token_hash` char(64) NOT NULL,
	`issued_at` datetime(3) NOT NULL,
	`last_seen_at` datetime(3),
	CONSTRAINT `calendar_links_id` PRIMARY KEY(`id`),
	CONSTRAINT `calendar_links_token` UNIQUE(`house_id`,`token_hash`)
);
--> statement-breakpoint
ALTER TABLE `calendar_links` ADD CONSTRAINT `calendar_links_house_id_houses_id_fk` FOREIGN KEY (`house_id`) REFERENCES `houses`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `calendar_links` ADD CONSTRAINT `calendar_links_person` FOREIGN KEY (`house_id`,`person_id`) REFERENCES `people`(`house_id`,`id`) ON DELETE no action ON UPDATE no action;