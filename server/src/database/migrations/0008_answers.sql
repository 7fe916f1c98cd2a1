CREATE TABLE `answers` (
	`house_id` char(36) NOT NULL,
	`key` char(36) NOT NULL,
	`what` varchar(300) NOT NULL,
	`at` datetime(3) NOT NULL,
	`value` json,
	CONSTRAINT `answers_house_id_key_pk` PRIMARY KEY(`house_id`,`key`)
);
--> statement-breakpoint
ALTER TABLE `answers` ADD CONSTRAINT `answers_house_id_houses_id_fk` FOREIGN KEY (`house_id`) REFERENCES `houses`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `answers_at` ON `answers` (`house_id`,`at`);