CREATE TABLE `installation` (
	`id` tinyint NOT NULL,
	`setup_hash` varchar(200),
	`changes` int NOT NULL DEFAULT 0,
	CONSTRAINT `installation_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
ALTER TABLE `mixers` ADD `out_of_order` json;