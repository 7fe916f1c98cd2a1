CREATE TABLE `leases` (
	`job` varchar(40) NOT NULL,
	`holder` char(36) NOT NULL,
	`until` datetime(3) NOT NULL,
	CONSTRAINT `leases_job` PRIMARY KEY(`job`)
);
--> statement-breakpoint
CREATE TABLE `turns` (
	`house_id` char(36) NOT NULL,
	`what` varchar(20) NOT NULL,
	`taken` int NOT NULL,
	CONSTRAINT `turns_house_id_what_pk` PRIMARY KEY(`house_id`,`what`)
);
--> statement-breakpoint
ALTER TABLE `turns` ADD CONSTRAINT `turns_house_id_houses_id_fk` FOREIGN KEY (`house_id`) REFERENCES `houses`(`id`) ON DELETE no action ON UPDATE no action;