CREATE TABLE `lot_photos` (
	`id` char(36) NOT NULL,
	`house_id` char(36) NOT NULL,
	`lot_id` char(36) NOT NULL,
	`jpeg` mediumblob NOT NULL,
	CONSTRAINT `lot_photos_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
ALTER TABLE `lot_photos` ADD CONSTRAINT `lot_photos_house_id_houses_id_fk` FOREIGN KEY (`house_id`) REFERENCES `houses`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `lot_photos` ADD CONSTRAINT `lot_photos_lot` FOREIGN KEY (`house_id`,`lot_id`) REFERENCES `lots`(`house_id`,`id`) ON DELETE no action ON UPDATE no action;