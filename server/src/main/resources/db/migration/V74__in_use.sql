-- Whether a master is in use is a field of it from now on: on what each side has of that the two have not agreed yet.
update master_link set unsettled = array_append(unsettled, 'in-use') where unsettled is not null;
