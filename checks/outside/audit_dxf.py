"""Reads a DXF strictly with ezdxf and prints what is in it as JSON. Exit 1 with the complaints when it is not sound."""
import json
import sys
from collections import Counter

import ezdxf
from ezdxf import bbox

try:
    document = ezdxf.readfile(sys.argv[1])
except Exception as error:
    sys.exit(f'unreadable: {type(error).__name__}: {error}')
audit = document.audit()
complaints = [entry.message for entry in audit.errors] + [entry.message for entry in audit.fixes]
if complaints:
    sys.exit('\n'.join(complaints))
entities = list(document.modelspace())
if not entities:
    sys.exit('no entities')
cut = bbox.extents(entity for entity in entities if entity.dxf.layer == 'CUT')
json.dump({
    'units': document.header['$INSUNITS'],
    'version': document.dxfversion,
    'counts': Counter(f'{entity.dxf.layer} {entity.dxftype()}' for entity in entities),
    'closed': all(entity.closed for entity in entities if entity.dxftype() == 'LWPOLYLINE' and entity.dxf.layer == 'CUT'),
    'min': list(cut.extmin)[:2], 'max': list(cut.extmax)[:2],
}, sys.stdout)
