-- What came from ledgers, for the log of what crossed.
create index trail_from_ledgers on trail (route_id, at desc, id desc)
    where action in ('payment-brought-back', 'edited-on-ledger', 'agrees-again', 'field-brought-back', 'field-not-brought-back');
