-- Everybody signs in anew: what a session says has changed.
DELETE FROM `sessions`;
--> statement-breakpoint
CREATE TABLE `devices` (
	`house_id` char(36) NOT NULL,
	`token_hash` char(64) NOT NULL,
	`first_at` datetime(3) NOT NULL,
	`last_at` datetime(3) NOT NULL,
	`failed_tries` smallint NOT NULL DEFAULT 0,
	`locked_until` datetime(3),
	CONSTRAINT `devices_house_id_token_hash_pk` PRIMARY KEY(`house_id`,`token_hash`)
);
--> statement-breakpoint
ALTER TABLE `sessions` ADD `seen_at` datetime(3) NOT NULL;--> statement-breakpoint
ALTER TABLE `sessions` ADD `agent` varchar(200) NOT NULL;--> statement-breakpoint
ALTER TABLE `devices` ADD CONSTRAINT `devices_house_id_houses_id_fk` FOREIGN KEY (`house_id`) REFERENCES `houses`(`id`) ON DELETE no action ON UPDATE no action;
