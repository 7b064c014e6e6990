/**
 * Kinds of supply, one a line: name (one piece) | other names | width x depth x height of one piece as it is bought, mm | mass, g | form | family | more.
 * Of more: `pack` pieces in a pack as it is sold; `minds` what it is kept from; `care` hazards; `fetch` usual fetches a session; `keeps` ways it may
 * also be kept; `bare` thickness without its package, mm; `gsm` paper weight; `soft` may be squeezed; `src` a published source. Where none is named the
 * size is common practice, no source: a usual size, until it is measured. Published ones are from memory.
 */
export const KIND_LINES = `
# paper and card
card | cardstock, card sheet, 12x12 card | 305x305 | 20 | sheet | Card | pack 25, gsm 216, minds sun damp, fetch 3
printer paper | paper, copy paper, plain paper, office paper | 210x297 | 5 | sheet | Paper | pack 500, gsm 80, minds damp, fetch 2, src ISO 216
patterned paper | scrapbook paper, decor paper, pattern paper | 305x305 | 11 | sheet | Paper | pack 24, gsm 120, minds sun damp, fetch 3
paper pad | patterned pad, pad of paper, 6x6 pad | 152x152x12 | 180 | block | Paper | minds sun damp, keeps edge, fetch 2
watercolour paper | watercolor paper, aquarelle paper | 230x305 | 21 | sheet | Paper | pack 20, gsm 300, minds damp, fetch 1
drawing paper | cartridge paper, sketch paper | 297x420 | 18 | sheet | Paper | pack 25, gsm 150, src ISO 216, fetch 1
tissue paper | silk paper | 500x750 | 6 | sheet | Paper | pack 26, gsm 17, minds damp sun
crepe paper | crepe sheet | 500x100x10 | 40 | block | Paper | minds damp sun
mulberry paper | kozo paper, rice paper, washi sheet | 630x930 | 20 | sheet | Paper | pack 10, gsm 35, minds damp sun
vellum | vellum sheet, tracing paper, translucent paper | 210x297 | 6 | sheet | Paper | pack 50, gsm 100, minds damp, src ISO 216
origami paper | folding paper | 150x150 | 1.6 | sheet | Paper | pack 100, gsm 70, minds sun
kraft paper | brown paper, packing paper sheet | 500x700 | 28 | sheet | Paper | pack 25, gsm 80
chipboard sheet | grey board, greyboard, bookbinding board | 305x305 | 112 | sheet | Card | pack 10, gsm 1200, minds damp
corrugated card | corrugated cardboard | 305x305x4 | 55 | block | Card | pack 5, minds damp, keeps edge
foam board | foamboard, foam core | 297x420x5 | 85 | block | Card | pack 5, keeps edge, src ISO 216
mount board | mat board, passepartout board | 305x405x1.4 | 110 | block | Card | pack 5, keeps edge
glitter paper | glitter card, glitter cardstock | 305x305 | 28 | sheet | Card | pack 10, gsm 300, minds damp
metallic card | mirror card, foil card | 210x297 | 16 | sheet | Card | pack 10, gsm 250, src ISO 216
blank card | card base, card blank, folded card | 105x148x0.6 | 7 | pocket | Card | pack 50, minds sun damp, keeps edge, src ISO 216
envelope | C6 envelope, card envelope | 114x162x0.5 | 5 | pocket | Envelopes | pack 50, keeps edge, src ISO 269
large envelope | C5 envelope, A5 envelope | 162x229x0.5 | 9 | pocket | Envelopes | pack 25, keeps edge, src ISO 269
C4 envelope | A4 envelope, document envelope | 229x324x0.6 | 17 | pocket | Envelopes | pack 25, keeps edge, src ISO 269
DL envelope | long envelope | 110x220x0.5 | 5 | pocket | Envelopes | pack 50, keeps edge, src ISO 269
scrap paper | paper scrap, card scrap, offcut, off-cut | 100x150 | 3 | sheet | Scraps | gsm 200, minds sun
tag | gift tag, swing tag, luggage tag | 50x100x0.5 | 2 | pocket | Tags | pack 50, keeps edge loose
notebook | blank book, journal, exercise book | 148x210x12 | 250 | block | Paper | keeps edge, src ISO 216
sketchbook | sketch book, sketch pad | 210x297x15 | 600 | block | Paper | keeps edge, src ISO 216
sticker sheet | stickers, sheet of stickers | 100x180x0.5 | 5 | pocket | Embellishments | pack 5, keeps pockets edge, minds sun heat
doily | paper doily, doilies | 115x115x0.2 | 1 | pocket | Embellishments | pack 100
paper strip | quilling strip, quilling paper | 3x420x0.12 | 0.12 | loose | Paper | pack 100, minds sun
# stamping
clear stamp set | photopolymer stamp set, acrylic stamp set, clear stamp | 150x200x4 | 70 | pocket | Stamps | keeps pockets edge, minds sun heat, bare 3
rubber stamp | wood mounted stamp, wooden stamp, wood stamp | 60x60x30 | 60 | block | Stamps | keeps edge, fetch 2
cling stamp set | cling stamp, unmounted stamp set, cling rubber stamp | 150x200x5 | 110 | pocket | Stamps | keeps pockets edge, bare 4
background stamp | large stamp | 150x150x5 | 90 | pocket | Stamps | keeps pockets edge
acrylic block | stamp block, stamping block | 75x100x10 | 95 | block | Stamping tools | keeps edge, fetch 4
stamp platform | stamping platform, stamp positioner | 200x240x35 | 700 | block | Stamping tools | fetch 3
wax seal stamp | sealing stamp, seal | 25x25x90 | 90 | stick | Stamps | keeps edge
sealing wax stick | sealing wax, wax stick | 11x11x130 | 15 | stick | Stamping tools | pack 5, minds heat
stamp cleaner | stamp cleaning spray, stamp shampoo | 40x40x130 | 90 | bottle | Stamping tools | minds frost
cleaning scrubber | stamp scrubber, scrubber pad | 110x170x20 | 90 | block | Stamping tools
# die cutting
thin die | die, cutting die, metal die, wafer die | 100x150x6 | 30 | pocket | Dies | keeps magnet pockets edge loose, bare 1, fetch 2
die set | set of dies, nested dies, nesting dies | 130x180x6 | 90 | pocket | Dies | keeps magnet pockets edge, bare 1, fetch 2
steel rule die | thick die, steel die | 140x150x17 | 150 | block | Dies | keeps edge, care blade
embossing folder | 3D embossing folder, folder | 127x178x4 | 40 | pocket | Dies | keeps edge pockets
die cutting machine | die cutter, cut and emboss machine, manual die cutter | 320x360x170 | 4500 | machine | Machines | care heavy
cutting machine | electronic cutter, craft cutter, plotter cutter | 540x180x150 | 4800 | machine | Machines | care blade heavy
cutting plate | die plate, machine plate | 225x300x3 | 230 | pocket | Dies | pack 2, keeps edge
cutting mat for machine | machine mat, sticky mat, carrier mat | 330x330x1 | 130 | pocket | Machines | keeps edge hanging, fetch 2
machine blade | plotter blade, replacement blade for cutter | 12x12x35 | 5 | loose | Machines | care blade small
paper punch | punch, craft punch, shape punch, hole punch shape | 65x50x45 | 120 | block | Punches | keeps edge, fetch 2
border punch | edge punch | 110x60x60 | 250 | block | Punches | keeps edge
corner punch | corner rounder, corner cutter | 60x60x50 | 90 | block | Punches | keeps edge
large punch | jumbo punch, giant punch | 90x70x60 | 260 | block | Punches | keeps edge
hole punch | single hole punch, hand punch | 50x120x20 | 130 | block | Punches | keeps hanging edge
magnetic sheet | magnet sheet | 210x297x1 | 218 | pocket | Dies | pack 3, keeps edge, care magnet
# inks
ink pad | inkpad, stamp pad, pad of ink | 62x98x20 | 70 | block | Inks | minds sun heat, keeps edge, fetch 4
small ink pad | mini ink pad, ink cube, small pad | 46x62x18 | 25 | block | Inks | minds sun heat, keeps edge, fetch 4
ink refill | reinker, re-inker, ink bottle small, refill bottle | 22x22x75 | 20 | bottle | Inks | minds sun frost
drawing ink | indian ink, india ink, acrylic ink, bottle of ink | 40x40x75 | 60 | bottle | Inks | minds sun frost
fountain pen ink | writing ink | 50x50x60 | 140 | bottle | Inks | minds sun frost
alcohol ink | spirit ink | 25x25x80 | 25 | bottle | Inks | minds sun heat, care flammable fumes
ink spray | spray ink, shimmer spray, mist spray | 35x35x120 | 80 | bottle | Inks | minds sun frost
embossing powder | emboss powder | 40x40x45 | 30 | bottle | Powders | keeps jar, fetch 1
glitter | glitter jar, glitter pot, loose glitter | 30x30x60 | 30 | bottle | Powders | keeps jar
mica powder | pigment powder, pearl powder, pearlescent powder | 35x35x45 | 25 | bottle | Powders | keeps jar
dye powder | fabric dye, textile dye | 40x40x60 | 40 | bottle | Dyes | minds damp, care toxic
blending brush | blender brush, ink brush | 25x25x150 | 20 | stick | Inking tools | pack 10, keeps edge
blending foam | ink foam, blending sponge | 30x30x10 | 1 | loose | Inking tools | pack 10
blending tool | ink blending tool | 35x35x70 | 30 | block | Inking tools | keeps edge
brayer | ink roller, lino roller | 110x150x45 | 180 | block | Printing | keeps hanging edge
printing ink | lino ink, block printing ink, relief ink | 40x160x40 | 180 | block | Printing | keeps edge, minds frost
lino | linoleum block, lino block, carving block | 150x210x4 | 160 | block | Printing | keeps edge, minds heat, src ISO 216
lino cutter | lino tool, gouge, carving tool | 20x150x20 | 30 | stick | Printing | care blade, keeps edge
silk screen | screen printing frame, printing screen | 300x400x35 | 900 | block | Printing | keeps edge
squeegee | screen printing squeegee | 250x130x30 | 250 | block | Printing | keeps edge hanging
stencil | mask, layering stencil | 152x152x0.3 | 8 | pocket | Stencils | keeps pockets edge ring
large stencil | A4 stencil | 210x297x0.3 | 20 | pocket | Stencils | keeps pockets edge ring, src ISO 216
gel plate | gel printing plate, gelatine plate | 203x254x13 | 700 | block | Printing | minds heat sun
# paints and drawing
acrylic paint | acrylic paint tube, acrylic tube, paint tube | 35x150x35 | 100 | block | Paints | keeps edge, minds frost, fetch 3
acrylic paint bottle | bottle of acrylic paint, craft paint bottle, craft paint | 36x36x115 | 80 | bottle | Paints | minds frost, fetch 3
watercolour tube | watercolor tube | 20x90x20 | 20 | block | Paints | keeps edge loose, minds frost
watercolour pan | watercolor pan, half pan | 16x20x11 | 4 | loose | Paints
watercolour set | watercolor set, paint box, pan set | 220x90x20 | 350 | block | Paints | keeps edge
oil paint tube | oil paint, oil colour | 30x120x30 | 75 | block | Paints | keeps edge, care fumes
gouache tube | gouache | 22x100x22 | 30 | block | Paints | keeps edge, minds frost
spray paint | spray can, aerosol paint, lacquer spray, varnish spray | 66x66x200 | 400 | bottle | Paints | care flammable fumes, minds heat frost
glass paint | porcelain paint, ceramic paint | 40x40x60 | 60 | bottle | Paints | minds frost
fabric paint | textile paint | 36x36x90 | 80 | bottle | Paints | minds frost
varnish | clear varnish, sealer, sealant | 70x70x100 | 300 | bottle | Paints | minds frost, care fumes
gesso | primer, acrylic primer | 80x80x110 | 600 | bottle | Paints | minds frost
modelling paste | modeling paste, texture paste, structure paste | 75x75x70 | 250 | bottle | Paints | minds frost
paint brush | paintbrush, artist brush, brush | 10x220x10 | 8 | stick | Brushes | keeps edge, fetch 4
flat brush | wide brush, varnish brush, foam brush | 50x200x12 | 30 | stick | Brushes | keeps edge hanging
water brush | aqua brush | 15x150x15 | 15 | stick | Brushes | keeps edge
palette | mixing palette, paint palette | 200x250x15 | 150 | block | Paints | keeps edge
canvas | stretched canvas | 240x300x18 | 350 | block | Paints | keeps edge, minds damp
canvas board | painting board | 240x300x4 | 220 | block | Paints | keeps edge
easel | table easel | 300x400x60 | 1200 | block | Paints
twin-tip marker | dual tip marker, alcohol marker, twin tip marker, brush marker | 16x150x16 | 15 | stick | Markers | keeps edge, minds sun heat, fetch 6
marker | felt tip pen, felt pen, fibre pen, felt-tip | 11x150x11 | 9 | stick | Markers | keeps edge loose, minds heat, fetch 4
permanent marker | | 13x138x13 | 10 | stick | Markers | keeps edge loose, minds heat
paint marker | acrylic marker, chalk marker | 15x140x15 | 20 | stick | Markers | keeps edge, minds heat frost
fineliner | fine liner, drawing pen, technical pen | 10x140x10 | 9 | stick | Pens | keeps edge loose, fetch 3
gel pen | glitter pen, roller ball | 10x148x10 | 10 | stick | Pens | keeps edge loose, fetch 3
ballpoint pen | ballpoint, pen | 10x145x10 | 10 | stick | Pens | pack 10, keeps edge loose
brush pen | lettering pen | 12x150x12 | 12 | stick | Pens | keeps edge
dip pen | nib holder, pen holder | 10x170x10 | 8 | stick | Pens | keeps edge
pen nib | nib, nibs | 6x40x4 | 1 | loose | Pens | care small
pencil | lead pencil, graphite pencil | 7.2x175x7.2 | 5 | stick | Pencils | pack 12, keeps edge loose, fetch 3, src pencil 7.2 × 175 mm
coloured pencil | colored pencil, colour pencil, color pencil, pencil crayon | 7.2x175x7.2 | 6 | stick | Pencils | pack 12, keeps edge loose, fetch 6, src pencil 7.2 × 175 mm
watercolour pencil | watercolor pencil, aquarelle pencil | 7.2x175x7.2 | 6 | stick | Pencils | pack 12, keeps edge loose, src pencil 7.2 × 175 mm
pastel | soft pastel, oil pastel, pastel stick, chalk pastel | 11x70x11 | 8 | stick | Drawing | pack 12, keeps loose, minds heat
crayon | wax crayon | 8x90x8 | 5 | stick | Drawing | pack 12, keeps loose, minds heat
charcoal stick | charcoal | 6x150x6 | 2 | stick | Drawing | pack 10, keeps loose
eraser | rubber eraser, kneaded eraser | 20x50x12 | 18 | loose | Drawing | fetch 2
pencil sharpener | sharpener | 25x30x15 | 15 | loose | Drawing | care blade
# adhesives
glue stick | stick glue | 25x25x95 | 30 | stick | Adhesives | keeps edge, minds heat, fetch 3
craft glue | glue, pva glue, white glue, tacky glue, bottle of glue, wood glue, liquid glue | 55x35x150 | 150 | bottle | Adhesives | minds frost heat, fetch 3
precision glue | fine tip glue, glue pen | 25x25x120 | 40 | bottle | Adhesives | minds frost, fetch 3
super glue | instant glue, cyanoacrylate | 20x110x15 | 8 | block | Adhesives | care toxic, keeps loose edge
epoxy glue | two part glue, epoxy | 30x180x25 | 70 | block | Adhesives | care toxic fumes, keeps edge
spray adhesive | spray glue, mount spray | 66x66x200 | 420 | bottle | Adhesives | care flammable fumes, minds heat frost
hot glue gun | glue gun | 160x160x35 | 250 | block | Adhesives | care hot, keeps hanging
glue stick for gun | hot glue stick, hot melt stick | 11x200x11 | 18 | stick | Adhesives | pack 20, keeps edge loose, minds heat
tape runner | adhesive roller, glue tape, glue roller, tape glider | 90x60x20 | 40 | block | Adhesives | minds heat, keeps edge, fetch 4
tape runner refill | adhesive refill, runner refill | 60x50x15 | 15 | block | Adhesives | minds heat, keeps edge loose
double sided tape | double-sided tape, score tape, sticky tape double | 75x75x12 | 40 | spool | Tapes | minds heat, keeps edge, fetch 3
adhesive sheet | double sided adhesive sheet, sticky sheet | 152x305x0.3 | 15 | pocket | Adhesives | pack 5, minds heat, keeps pockets edge
foam pad | foam square, 3d pad, foam dot, foam sticky | 100x150x2 | 6 | pocket | Adhesives | pack 1, keeps pockets edge, fetch 3
foam tape | foam adhesive tape | 70x70x12 | 25 | spool | Tapes | keeps edge
glue dots | glue dot roll, adhesive dots | 70x70x15 | 30 | spool | Adhesives | minds heat, keeps edge
clear tape | sticky tape, transparent tape, adhesive tape | 75x75x19 | 40 | spool | Tapes | keeps edge, fetch 2
masking tape | painter tape, low tack tape, artist tape | 105x105x25 | 110 | spool | Tapes | keeps edge, fetch 2
washi tape | decorative tape, paper tape | 55x55x15 | 15 | spool | Tapes | keeps edge, minds sun, fetch 2
duct tape | cloth tape, fabric tape | 110x110x50 | 350 | spool | Tapes | keeps edge
packing tape | parcel tape | 110x110x50 | 250 | spool | Packing | keeps edge, fetch 3
hook and loop dots | hook and loop tape | 80x80x20 | 40 | spool | Adhesives | keeps edge
decoupage glue | decoupage medium | 65x65x110 | 250 | bottle | Adhesives | minds frost
paste | wheat paste, bookbinding paste, wallpaper paste | 90x90x120 | 500 | bottle | Adhesives | minds frost heat
# cutting and tools
scissors | pair of scissors, shears, craft scissors | 80x210x15 | 90 | block | Cutting tools | care blade, keeps hanging edge, fetch 4
fine scissors | embroidery scissors, detail scissors, small scissors, snips | 50x120x10 | 30 | block | Cutting tools | care blade, keeps hanging edge, fetch 4
fabric scissors | fabric shears, dressmaking shears | 90x240x20 | 180 | block | Cutting tools | care blade, keeps hanging edge, fetch 3
pinking shears | zigzag scissors, decorative scissors | 90x230x20 | 200 | block | Cutting tools | care blade, keeps hanging edge
craft knife | hobby knife, scalpel, cutter knife, utility knife, knife | 20x150x15 | 30 | stick | Cutting tools | care blade, keeps edge hanging, fetch 3
knife blade | scalpel blade, replacement blade, cutter blade | 10x60x0.5 | 2 | loose | Cutting tools | pack 10, care blade small
rotary cutter | rolling cutter | 60x180x25 | 90 | block | Cutting tools | care blade, keeps hanging edge
paper trimmer | trimmer, paper cutter, guillotine trimmer | 160x390x40 | 700 | block | Cutting tools | care blade, keeps edge, fetch 4
guillotine | paper guillotine, lever cutter | 300x450x90 | 3500 | machine | Machines | care blade heavy
score board | scoring board, envelope maker | 320x350x15 | 650 | block | Tools | keeps edge, fetch 3
bone folder | folding bone, creaser | 25x160x5 | 20 | stick | Tools | keeps edge hanging, fetch 4
ruler | metal ruler, steel ruler, straight edge | 30x310x1 | 70 | long | Tools | keeps hanging edge, fetch 4
long ruler | 60 cm ruler, yardstick, metre rule | 40x620x2 | 135 | long | Tools | keeps hanging edge
quilting ruler | acrylic ruler, patchwork ruler | 165x610x3 | 350 | long | Tools | keeps hanging edge
tape measure | measuring tape | 55x55x20 | 35 | spool | Tools | keeps edge, fetch 2
cutting mat | self healing mat, cutting board mat | 300x450x3 | 500 | block | Tools | keeps edge hanging, minds heat
tweezers | pair of tweezers, fine tweezers | 12x140x10 | 20 | stick | Tools | keeps edge hanging loose, fetch 4
craft mat | glass mat, silicone mat, heat mat, work mat | 400x600x3 | 900 | block | Tools | keeps edge
heat gun | heat tool, embossing gun, hot air gun | 70x250x70 | 450 | block | Tools | care hot, keeps hanging, fetch 2
awl | piercing tool, paper piercer, bradawl | 30x120x30 | 35 | stick | Tools | care blade, keeps edge
screwdriver | small screwdriver | 25x180x25 | 70 | stick | Hand tools | keeps edge hanging
hammer | small hammer, mallet | 100x280x30 | 400 | block | Hand tools | keeps hanging edge
pliers | flat nose pliers, round nose pliers, jewellery pliers, jewelry pliers | 80x130x15 | 90 | block | Hand tools | keeps hanging edge, fetch 3
wire cutter | side cutter, flush cutter | 80x130x15 | 90 | block | Hand tools | care blade, keeps hanging edge
hand saw | fret saw, jigsaw hand, coping saw | 120x300x30 | 300 | block | Hand tools | care blade, keeps hanging edge
file | needle file, metal file, rasp | 12x180x8 | 40 | stick | Hand tools | keeps edge
clamp | spring clamp, g clamp, bulldog clamp | 60x150x30 | 150 | block | Hand tools | keeps hanging loose
drill | hand drill, cordless drill, mini drill | 80x230x220 | 1300 | machine | Hand tools | care blade
drill bit | drill bits | 6x90x6 | 10 | loose | Hand tools | care small
soldering iron | solder iron, wood burning tool, pyrography pen | 35x220x35 | 120 | block | Hand tools | care hot
sandpaper | sand paper, abrasive sheet | 230x280x0.5 | 30 | pocket | Hand tools | pack 10, keeps pockets edge
safety glasses | goggles, eye protection | 160x180x70 | 50 | block | Hand tools | keeps hanging
gloves | pair of gloves, disposable gloves | 120x240x60 | 250 | soft | Cleaning | pack 1
apron | work apron | 250x300x30 | 200 | soft | Cleaning | keeps hanging
# sewing
thread spool | thread, sewing thread, spool of thread, reel of thread, cotton reel, reel, cotton | 24x24x55 | 15 | spool | Thread | keeps edge loose, minds sun, fetch 3
thread cone | overlocker thread, serger cone, cone of thread | 65x65x120 | 80 | spool | Thread | minds sun
bobbin | class 15 bobbin, sewing bobbin, spare bobbin | 20.3x20.3x11.7 | 5 | spool | Thread | pack 10, keeps loose ring edge, src class 15 bobbin 20.3 × 11.7 mm, fetch 2
sewing machine | | 400x180x300 | 6500 | machine | Machines | care heavy
overlocker | serger, overlock machine | 330x280x300 | 7000 | machine | Machines | care heavy
iron | steam iron, small iron | 120x280x150 | 1200 | machine | Machines | care hot
pressing mat | wool pressing mat, ironing mat | 350x350x12 | 600 | block | Sewing | keeps edge
fat quarter | quilting quarter, fabric quarter | 230x280x8 | 37 | soft | Fabric | minds sun, keeps edge
fabric piece | fabric, cloth length, folded fabric, cotton fabric, length of fabric, fabric length | 250x350x30 | 250 | soft | Fabric | minds sun damp, keeps edge
fabric bolt | bolt of fabric, roll of fabric, fabric roll | 100x600x100 | 2000 | roll | Fabric | minds sun damp
fabric scrap | scrap of fabric, fabric remnant, remnant | 100x150x2 | 8 | soft | Scraps | keeps loose
ripstop | ripstop nylon, ripstop fabric, spinnaker cloth | 250x350x15 | 120 | soft | Fabric | minds sun, keeps edge
interfacing | fusible interfacing, stabiliser, stabilizer | 250x350x25 | 150 | soft | Fabric | minds heat
batting | wadding, quilt batting | 350x450x150 | 400 | soft | Fabric
stuffing | toy filling, fibre fill, fiberfill, polyester filling | 300x400x200 | 300 | soft | Sewing
ribbon spool | ribbon, spool of ribbon, roll of ribbon, reel of ribbon | 70x70x15 | 30 | spool | Ribbon | minds sun, keeps edge cards ring, fetch 2
wide ribbon | wide ribbon spool | 75x75x40 | 60 | spool | Ribbon | minds sun, keeps edge
ribbon end | ribbon remnant, ribbon scrap, piece of ribbon | 40x60x5 | 3 | soft | Ribbon | keeps loose cards, minds sun
lace | lace trim, lace trimming | 80x60x15 | 15 | soft | Ribbon | keeps cards loose
bias binding | bias tape, binding tape | 90x70x20 | 25 | soft | Ribbon | keeps cards loose edge
elastic | elastic band roll, elastic cord, knicker elastic | 80x80x15 | 40 | spool | Sewing | keeps cards edge, minds heat
twine | baker's twine, bakers twine, string, jute twine, cord, hemp cord | 75x75x75 | 100 | spool | Twine | keeps edge, fetch 2
zip | zipper, zip fastener | 30x250x4 | 10 | pocket | Sewing | keeps loose ring pockets
button | shirt button, buttons | 18x18x4 | 0.9 | loose | Buttons | keeps jar loose, care small
press stud | snap fastener, popper, snap | 12x12x6 | 1 | loose | Sewing | care small, keeps jar
hook and eye | hooks and eyes | 12x15x3 | 0.5 | loose | Sewing | care small
box of pins | pins, dressmaking pins, straight pins | 60x60x20 | 40 | block | Sewing | care blade small, keeps edge
safety pin | safety pins | 10x38x4 | 0.7 | loose | Sewing | care small blade
needle pack | sewing needles, hand needles, machine needle pack, needle | 30x60x4 | 5 | pocket | Sewing | care blade small, keeps pockets edge
pin cushion | pincushion, magnetic pin dish | 80x80x50 | 60 | block | Sewing | care blade
seam ripper | unpicker, stitch ripper | 12x110x12 | 8 | stick | Sewing | care blade, keeps edge
sewing pattern | paper pattern, dress pattern | 150x210x8 | 60 | pocket | Patterns | keeps edge pockets
tailor's chalk | tailors chalk, fabric chalk, chalk | 40x50x6 | 12 | loose | Sewing
fabric clip | quilting clip, sewing clip | 10x27x15 | 3 | loose | Sewing | keeps jar
eyelet | grommet, eyelets | 8x8x5 | 0.3 | loose | Findings | care small, keeps jar
eyelet setter | setting tool, crop tool, eyelet pliers | 70x220x40 | 350 | block | Tools | keeps edge hanging
# yarn, embroidery, felt
yarn ball | ball of yarn, yarn, ball of wool, skein of yarn, wool ball | 70x140x70 | 50 | soft | Yarn | minds dust, keeps loose
large yarn | 100 g yarn, yarn hank, skein, hank | 90x180x90 | 100 | soft | Yarn | minds dust, keeps loose
yarn cone | cone of yarn | 110x110x180 | 500 | spool | Yarn | minds dust
knitting needles | pair of knitting needles, knitting needle pair | 20x350x10 | 40 | long | Knitting | keeps edge
circular needle | circular knitting needle | 120x180x5 | 20 | pocket | Knitting | keeps pockets hanging ring
crochet hook | crochet needle | 15x150x10 | 12 | stick | Knitting | keeps edge
stitch marker | stitch markers, row counter | 10x20x4 | 0.5 | loose | Knitting | care small
embroidery floss | embroidery thread, stranded cotton, floss skein, skein of floss, embroidery cotton | 20x80x15 | 2 | soft | Embroidery | minds sun, keeps cards ring loose, fetch 5
embroidery hoop | hoop, embroidery ring | 180x180x15 | 90 | block | Embroidery | keeps hanging edge
cross stitch fabric | aida, aida cloth, evenweave | 200x300x8 | 60 | soft | Embroidery | keeps edge
cross stitch chart | embroidery pattern, chart | 210x297x1 | 10 | pocket | Patterns | keeps pockets edge, src ISO 216
wool tops | roving, combed wool, felting wool, wool roving, merino top | 60x150x60 | 20 | soft | Felting | minds dust, keeps loose
felting needle | barbed needle, barbed felting needle | 3x90x3 | 1 | loose | Felting | care blade small
felting mat | felting foam, felting cushion, felting pad | 200x250x50 | 120 | block | Felting
felt sheet | felt, craft felt, sheet of felt | 210x297x2 | 20 | soft | Felt | pack 10, keeps edge, minds dust, src ISO 216
pompom | pom-pom, pom pom | 20x20x20 | 0.5 | loose | Embellishments | keeps jar
pipe cleaner | chenille stem | 8x300x8 | 1.5 | stick | Embellishments | pack 50, keeps edge
wobbly eye | googly eye, wiggle eye | 10x10x4 | 0.3 | loose | Embellishments | care small, keeps jar
loom | weaving loom, small loom | 300x400x40 | 900 | block | Weaving | keeps edge hanging
# beads and jewellery
seed bead tube | tube of seed beads, seed beads, bead tube | 15x15x75 | 20 | bottle | Beads | care small, keeps edge
bead | large bead, glass bead, wooden bead, beads | 10x10x10 | 1 | loose | Beads | care small, keeps jar
bead strand | strand of beads, string of beads | 20x400x10 | 40 | soft | Beads | keeps hanging loose
jump ring | jump rings, split ring small | 6x6x1 | 0.1 | loose | Findings | care small, keeps jar
clasp | lobster clasp, jewellery clasp | 7x14x4 | 0.8 | loose | Findings | care small, keeps jar
ear wire | earring hook, earring wire, ear hook | 10x20x2 | 0.3 | loose | Findings | care small, keeps jar
charm | pendant, charms | 15x20x3 | 2 | loose | Findings | care small, keeps jar
jewellery wire | jewelry wire, craft wire, copper wire, beading wire, wire spool, wire | 65x65x20 | 80 | spool | Wire | keeps edge
rhinestone | gem, gems, rhinestones, flat back crystal | 5x5x2 | 0.06 | loose | Embellishments | care small, keeps jar
sequin | sequins | 6x6x0.3 | 0.01 | loose | Embellishments | keeps jar
brad | brads, paper fastener, split pin | 8x20x8 | 0.5 | loose | Embellishments | care small, keeps jar
enamel dots | enamel dot sheet, adhesive gems, sticker gems | 80x130x3 | 10 | pocket | Embellishments | keeps pockets edge
die cut shape | die cuts, ephemera, paper embellishment, cut out | 50x60x0.4 | 1 | loose | Embellishments | keeps pockets
paper flower | flower embellishment | 40x40x15 | 1 | loose | Embellishments
charm box | jewellery gift box, small gift box | 80x80x35 | 30 | block | Packing
# clay, resin, wax, soap
polymer clay | polymer clay block, oven clay, modelling clay block | 45x55x14 | 57 | block | Clay | minds heat, keeps edge
air dry clay | air drying clay, modelling clay, modeling clay, clay | 80x160x60 | 1000 | block | Clay | minds damp frost
clay tool | modelling tool, sculpting tool | 15x160x15 | 20 | stick | Clay | keeps edge
rolling pin | clay roller, acrylic roller | 35x220x35 | 250 | stick | Clay
cookie cutter | clay cutter, shape cutter | 70x70x25 | 20 | loose | Clay
pottery wheel | | 500x600x450 | 25000 | machine | Machines | care heavy
glaze | pottery glaze, ceramic glaze | 80x80x120 | 600 | bottle | Clay | care toxic, minds frost
resin | epoxy resin, casting resin, resin bottle | 70x70x180 | 600 | bottle | Resin | care toxic fumes, minds frost heat
uv resin | UV resin bottle | 45x45x120 | 120 | bottle | Resin | care toxic fumes, minds sun heat
hardener | resin hardener | 60x60x160 | 300 | bottle | Resin | care toxic fumes, minds frost
silicone mould | silicone mold, resin mould, mould, mold | 100x120x20 | 80 | block | Moulds | keeps edge, minds dust
mixing cup | measuring cup, plastic cup | 75x75x90 | 8 | block | Resin | pack 20
stir stick | mixing stick, wooden spatula, lolly stick, craft stick | 10x140x2 | 1.5 | stick | Resin | pack 50, keeps edge loose
uv lamp | UV lamp, curing lamp | 200x220x90 | 700 | machine | Resin
candle wax | wax pellets, soy wax, bag of wax, paraffin wax, beeswax | 180x250x60 | 1000 | soft | Wax | minds heat, keeps jar
wick | candle wick, wicks | 30x150x4 | 2 | loose | Wax | pack 20, keeps edge
candle jar | candle tin, candle glass | 80x80x90 | 250 | bottle | Wax
fragrance oil | scent oil, essential oil, perfume oil | 25x25x70 | 40 | bottle | Wax | minds sun heat, care flammable
soap base | melt and pour soap, soap block | 100x150x50 | 1000 | block | Soap | minds heat damp
lye | sodium hydroxide, caustic soda | 90x90x150 | 1000 | bottle | Soap | care toxic, minds damp
thermometer | craft thermometer | 20x200x10 | 50 | stick | Wax | keeps hanging edge
melting pot | wax melter, wax pot, double boiler | 160x260x150 | 900 | machine | Wax | care hot
scales | kitchen scales, digital scale | 180x200x25 | 450 | machine | Tools
# leather and wood
leather piece | leather, leather hide piece, leather scrap | 200x300x2 | 120 | soft | Leather | keeps edge, minds damp
leather punch | leather hole punch, revolving punch | 90x250x30 | 350 | block | Leather | keeps hanging edge
rivet | rivets, chicago screw | 8x8x8 | 1 | loose | Leather | care small, keeps jar
leather cord | suede cord, leather lace | 80x80x20 | 40 | spool | Leather | keeps edge
wood sheet | plywood sheet, balsa sheet, basswood sheet, craft plywood | 100x915x3 | 150 | long | Wood | minds damp, keeps edge
dowel | wooden dowel, wood stick, spar, wooden rod, fibreglass rod, carbon rod | 6x1000x6 | 20 | long | Wood | minds damp
wooden shape | wood slice, wood blank, wooden blank | 80x80x5 | 15 | block | Wood | keeps loose edge
picture frame | frame, photo frame | 200x250x20 | 500 | block | Frames | keeps edge hanging
wood stain | stain, wood oil | 70x70x110 | 400 | bottle | Wood | care flammable fumes, minds frost
# flowers
silk flower | artificial flower, fake flower | 80x350x80 | 20 | soft | Flowers | minds sun dust
dried flowers | bunch of dried flowers, dried flower bunch | 150x450x100 | 60 | soft | Flowers | minds damp sun dust, keeps hanging
floral foam | flower foam, floral brick | 80x230x110 | 45 | block | Flowers
floral wire | stem wire | 2x400x2 | 2 | stick | Flowers | pack 50, keeps edge
floral tape | stem tape | 50x50x13 | 25 | spool | Flowers | keeps edge
wreath base | wreath ring, straw wreath | 300x300x50 | 250 | block | Flowers | keeps hanging
flower press | | 200x200x60 | 900 | block | Flowers
# packing and post
gift bag | paper bag, carrier bag | 180x250x3 | 30 | pocket | Packing | pack 10, keeps edge
cello bag | cellophane bag, clear bag, clear sleeve | 130x180x0.1 | 1.7 | pocket | Packing | pack 50, keeps edge
shipping box | mailing box, postal box, cardboard box flat | 250x350x6 | 150 | pocket | Packing | pack 10, keeps edge
padded envelope | bubble mailer, bubble envelope | 180x265x5 | 20 | pocket | Packing | pack 10, keeps edge
bubble wrap | bubble wrap roll | 250x500x250 | 600 | roll | Packing
wrapping paper | gift wrap, roll of wrapping paper, gift wrap roll | 40x700x40 | 150 | roll | Packing | minds sun
label roll | roll of labels, sticker roll, thermal labels | 110x110x60 | 200 | spool | Packing | keeps edge
label sheet | sheet of labels, sticker paper, printable labels | 210x297x0.2 | 10 | pocket | Packing | pack 25, keeps pockets edge, src ISO 216
# vinyl, heat transfer, foil
vinyl roll | adhesive vinyl, roll of vinyl, self adhesive vinyl | 50x310x50 | 250 | roll | Vinyl | minds heat
vinyl sheet | sheet of vinyl, htv sheet, heat transfer vinyl sheet | 305x305x0.3 | 21 | pocket | Vinyl | pack 10, keeps edge pockets, minds heat
heat transfer vinyl | htv, htv roll, iron-on vinyl, flex foil | 50x310x50 | 220 | roll | Vinyl | minds heat
transfer tape | application tape | 50x310x50 | 200 | roll | Vinyl
foil sheet | hot foil sheet, toner foil, gilding foil | 152x152x0.1 | 4 | pocket | Foils | pack 20, keeps pockets edge
foil roll | roll of foil, hot foil roll | 40x320x40 | 90 | roll | Foils | keeps edge
heat press | | 350x400x300 | 9000 | machine | Machines | care hot heavy
laminator | laminating machine, foil machine | 360x130x80 | 1600 | machine | Machines | care hot
laminating pouch | laminating sheet | 216x303x0.2 | 13 | pocket | Paper | pack 100, keeps edge, src ISO 216
acetate sheet | acetate, clear plastic sheet, transparency | 210x297x0.2 | 14 | pocket | Card | pack 25, keeps edge pockets, src ISO 216
# photography, albums
photo | photo print, photograph, photo 10x15 | 100x150x0.25 | 4 | pocket | Photos | minds sun damp, keeps pockets edge
photo paper | glossy paper, inkjet photo paper | 210x297 | 16 | sheet | Photos | pack 20, gsm 250, minds damp sun, src ISO 216
scrapbook album | album, photo album, ring album | 330x370x60 | 1500 | block | Albums | keeps edge
page protector | sheet protector, plastic sleeve, punched pocket | 230x300x0.15 | 8 | pocket | Albums | pack 50, keeps edge
camera | digital camera | 130x80x100 | 600 | machine | Photography | minds damp dust
tripod | | 120x600x120 | 1300 | long | Photography
ring light | photo lamp, photo light | 300x300x60 | 900 | block | Photography | keeps hanging
developer bottle | developer, photo chemical, sun print chemical, fixer, brown bottle | 80x80x180 | 1100 | bottle | Chemistry | care toxic, minds sun frost heat
# electrics
AA battery | mignon battery, double A battery, battery | 14.5x14.5x50.5 | 24 | stick | Electrics | pack 4, keeps edge loose, care small, src IEC 60086 (R6)
AAA battery | micro battery, triple A battery | 10.5x10.5x44.5 | 12 | stick | Electrics | pack 4, keeps edge loose, care small, src IEC 60086 (R03)
coin cell | button cell, CR2032, coin battery | 20x20x3.2 | 3 | loose | Electrics | pack 5, care small toxic, src IEC 60086 (CR2032)
D battery | mono battery | 34.2x34.2x61.5 | 140 | stick | Electrics | pack 2, keeps edge, src IEC 60086 (R20)
C battery | baby battery | 26.2x26.2x50 | 70 | stick | Electrics | pack 2, keeps edge, src IEC 60086 (R14)
9V battery | block battery, nine volt battery | 26.5x17.5x48.5 | 46 | block | Electrics | keeps edge loose, src IEC 60086 (6LR61)
LED string | fairy lights, string lights, light chain, led lights | 90x120x50 | 80 | soft | Electrics | keeps cards loose
extension lead | extension cord, power strip | 60x350x50 | 500 | soft | Electrics | keeps hanging
charging cable | usb cable, cable | 90x90x25 | 35 | soft | Electrics | keeps ring hanging loose
# cleaning
baby wipes | wet wipes, wipes pack | 100x180x60 | 350 | soft | Cleaning | minds heat
kitchen roll | paper towel, kitchen paper, paper towels | 120x120x240 | 250 | roll | Cleaning
cloth | cleaning cloth, rag, microfibre cloth | 200x200x10 | 40 | soft | Cleaning | keeps loose edge
sponge | cleaning sponge | 70x110x40 | 15 | block | Cleaning
isopropyl alcohol | rubbing alcohol, isopropanol, surgical spirit | 70x70x200 | 500 | bottle | Cleaning | care flammable fumes, minds heat
white spirit | turpentine, brush cleaner, solvent | 75x75x220 | 700 | bottle | Cleaning | care flammable fumes toxic
dish soap | washing up liquid, hand soap | 65x90x220 | 550 | bottle | Cleaning | minds frost
spray bottle | water sprayer, mister, atomiser | 70x70x200 | 80 | bottle | Cleaning
bin bags | rubbish bags, bin liners | 60x60x250 | 300 | roll | Cleaning
# binders and reading
magazine | craft magazine | 210x297x5 | 250 | pocket | Books | keeps edge, src ISO 216
craft book | book, pattern book | 210x270x20 | 700 | block | Books | keeps edge
binder | ring binder, folder with rings, lever arch file | 285x320x70 | 600 | block | Books | keeps edge
template | pattern template, card template, plastic template | 210x297x0.5 | 25 | pocket | Templates | keeps pockets edge ring, src ISO 216
magnet | small magnet, neodymium magnet, craft magnet | 10x10x3 | 2 | loose | Findings | care magnet small, keeps jar
rubber band | rubber bands, elastic bands | 10x60x2 | 0.5 | loose | Findings | keeps jar, minds heat
paper clip | paper clips | 8x32x1 | 0.4 | loose | Findings | keeps jar, care small
clothes peg | mini peg, wooden peg, clothespin | 8x35x10 | 2 | loose | Findings | keeps jar
binding ring | book ring, loose leaf ring, split ring | 40x40x4 | 8 | loose | Findings | keeps jar ring
# desk
stapler | office stapler, paper stapler | 45x150x60 | 250 | block | Tools | keeps edge
staples | box of staples, staple box | 50x110x25 | 110 | block | Tools
long arm stapler | long reach stapler, booklet stapler | 60x400x90 | 700 | block | Tools
paper cutter blade | trimmer blade, spare trimmer blade | 20x60x8 | 10 | pocket | Cutting tools | care blade small, keeps pockets
set square | triangle ruler, drafting triangle | 150x260x3 | 45 | pocket | Tools | keeps edge hanging
protractor | angle ruler | 100x180x2 | 20 | pocket | Tools | keeps edge
compass | pair of compasses, drawing compass | 30x170x15 | 70 | stick | Tools | care blade
t square | tee square | 300x600x8 | 250 | long | Tools | keeps hanging
clipboard | clip board | 230x320x12 | 380 | block | Paper | keeps edge hanging
sticky notes | note block, memo block, adhesive notes | 76x76x12 | 55 | block | Paper | pack 6
index card | record card, filing card | 76x127 | 1.9 | sheet | Card | pack 100, gsm 200
carbon paper | transfer paper, graphite paper | 210x297 | 3.7 | sheet | Paper | pack 25, gsm 60
graph paper | squared paper, dot grid paper | 210x297 | 5 | sheet | Paper | pack 100, gsm 80, src ISO 216
newsprint | news paper sheet, newspaper | 400x570 | 11 | sheet | Paper | pack 50, gsm 48
freezer paper | wax paper, baking parchment, greaseproof paper | 80x450x80 | 900 | roll | Paper
correction fluid | correction pen, white out | 25x25x80 | 35 | bottle | Drawing
highlighter | text marker | 14x14x135 | 14 | stick | Markers | pack 4
chalk pencil | marking pencil, fabric marking pencil | 8x8x175 | 6 | stick | Sewing
blending stump | tortillon, paper stump | 8x8x130 | 4 | stick | Drawing | pack 6
fixative | pastel fixative, drawing fixative | 55x55x190 | 380 | bottle | Drawing | minds heat, care flammable fumes
masking fluid | drawing gum, liquid frisket | 45x45x85 | 120 | bottle | Paints | minds frost
palette knife | painting knife | 20x230x15 | 35 | stick | Paints
brush holder | brush jar, brush pot | 90x90x110 | 350 | block | Brushes
brush roll | brush case, roll of brushes | 120x350x40 | 260 | soft | Brushes
water pot | water jar, rinse cup | 90x90x100 | 110 | block | Paints
natural sponge | sea sponge, paint sponge | 90x90x60 | 20 | soft | Paints
airbrush | air brush | 40x160x90 | 220 | block | Machines | fetch 1
compressor | airbrush compressor, air compressor | 150x310x320 | 4500 | machine | Machines | care heavy
easel pad | flip chart pad | 594x841x12 | 3500 | block | Paper | keeps edge
# printing and marbling
baren | printing baren, burnisher | 110x110x35 | 120 | block | Printing | fetch 4
glass slab | inking glass, inking slab, ink slab | 300x400x5 | 1500 | block | Printing | keeps edge, care heavy
bench hook | lino bench hook, cutting hook | 200x300x25 | 800 | block | Printing
wood engraving block | engraving block, woodcut block | 100x100x23 | 160 | block | Printing
etching needle | scriber, etching tool | 8x8x160 | 25 | stick | Printing | care blade
copper plate | etching plate, zinc plate | 150x200x1.2 | 300 | pocket | Printing | keeps edge pockets
tarlatan | scrim, etching muslin | 200x250x30 | 90 | soft | Printing
screen filler | screen emulsion, photo emulsion | 90x90x130 | 800 | bottle | Printing | minds sun frost
printing press | etching press, book press, nipping press | 400x350x350 | 16000 | machine | Machines | care heavy
marbling comb | marbling rake | 60x350x25 | 120 | block | Printing
marbling tray | marbling tank, marbling bath | 400x550x70 | 1100 | block | Printing | keeps edge
carrageenan | marbling size powder, carrageen | 80x80x120 | 150 | bottle | Dyes | minds damp
alum | mordant, alum powder | 80x80x120 | 300 | bottle | Dyes | minds damp
rubber roller | hard roller, hand roller | 60x180x90 | 300 | block | Printing
# bookbinding
bookbinding needle | binding needle, bookbinders needle | 4x60x2 | 1 | loose | Sewing | care blade small
linen thread | waxed thread, bookbinding thread | 45x45x60 | 55 | spool | Thread
book cloth | bookcloth, binding cloth | 430x500 | 47 | sheet | Fabric | gsm 220
bookbinding tape | linen tape, headband tape, mull | 60x60x20 | 25 | spool | Ribbon
book weight | paper weight, bookbinders weight | 60x120x40 | 1400 | block | Tools | care heavy
sewing frame | book sewing frame | 450x250x350 | 2200 | block | Tools
punching cradle | book cradle, signature cradle | 120x320x90 | 900 | block | Tools
wire binding machine | binding machine, comb binder, spiral binder | 380x300x170 | 5500 | machine | Machines | care heavy
binding wire | wire binding comb, binding comb, spiral comb | 14x300x14 | 20 | loose | Findings | pack 20
# sewing
presser foot | sewing foot, zipper foot, walking foot | 25x45x30 | 30 | loose | Sewing | care small
bobbin case | bobbin holder, shuttle | 25x25x15 | 20 | loose | Sewing | care small
bobbin box | box of bobbins | 100x120x30 | 140 | block | Thread | keeps edge
machine oil | sewing machine oil | 35x35x110 | 95 | bottle | Sewing
machine needle | sewing machine needle pack, machine needles | 40x70x5 | 12 | pocket | Sewing | care blade, keeps pockets
ironing board cover | board cover | 250x350x40 | 450 | soft | Sewing
tailor's ham | pressing ham, sleeve roll | 200x300x120 | 900 | block | Sewing
hem gauge | sewing gauge, seam gauge | 25x160x3 | 15 | stick | Sewing
thimble | leather thimble, finger guard | 20x20x25 | 6 | loose | Sewing | care small
needle threader | threader | 20x60x2 | 3 | loose | Sewing | care small
tracing wheel | pounce wheel, pattern wheel | 25x160x25 | 35 | stick | Sewing | care blade
loop turner | tube turner, bodkin | 10x270x4 | 12 | stick | Sewing
webbing | strap webbing, nylon webbing, bag strap | 120x120x40 | 180 | spool | Ribbon
piping cord | piping, cotton piping | 120x120x60 | 200 | spool | Twine
rickrack | ric rac, braid trim, gimp braid | 80x80x25 | 40 | spool | Ribbon
fringe trim | fringe, tassel trim | 120x160x40 | 110 | soft | Ribbon
shoulder pad | bra cup, sew in pad | 120x160x40 | 20 | soft | Sewing
boning | corset boning, rigilene | 110x110x20 | 110 | spool | Sewing
buckle | belt buckle, slide buckle, bag buckle | 40x50x10 | 25 | loose | Findings | care small
d ring | d-ring, rectangle ring, strap ring | 30x35x4 | 10 | loose | Findings | pack 10, care small
swivel clasp | bag clasp, swivel snap hook, trigger hook | 25x55x10 | 20 | loose | Findings
magnetic snap | magnetic button, bag snap | 18x18x8 | 8 | loose | Findings | care magnet small
bag handle | bag handles, purse handle | 130x400x20 | 120 | block | Sewing | keeps hanging
purse frame | kiss clasp, purse clasp | 90x130x15 | 60 | block | Findings
iron-on patch | patch, embroidered badge, sew on badge | 70x80x2 | 6 | pocket | Embellishments | keeps pockets
label ribbon | woven label, name tape, sew in label | 40x60x15 | 12 | loose | Sewing
muslin | calico, toile fabric | 250x350x40 | 600 | soft | Fabric
denim | denim fabric, jeans fabric | 250x350x60 | 1100 | soft | Fabric
fleece | fleece fabric, minky | 300x350x90 | 700 | soft | Fabric
tulle | netting, net fabric | 150x300x40 | 90 | soft | Fabric
faux fur | fur fabric | 300x400x90 | 900 | soft | Fabric
faux leather | vinyl fabric, artificial leather, leatherette | 60x480x60 | 500 | roll | Fabric
oilcloth | laminated cotton, wax cloth | 60x480x60 | 480 | roll | Fabric
canvas fabric | duck canvas, heavy canvas cloth | 250x350x60 | 1200 | soft | Fabric
jelly roll | fabric strip roll, precut strips | 110x110x65 | 350 | soft | Fabric
charm pack | layer cake, precut squares | 127x127x25 | 130 | block | Fabric
batting scrap | wadding offcut | 200x300x40 | 60 | soft | Scraps
fusible web | bonding web, fabric adhesive web | 50x450x50 | 150 | roll | Sewing
basting spray | temporary fabric adhesive, quilt basting spray | 65x65x200 | 400 | bottle | Adhesives | minds heat, care flammable fumes
fray stop | fray check, seam sealant | 30x30x90 | 30 | bottle | Adhesives
fabric glue | textile glue, seam glue | 45x45x150 | 120 | bottle | Adhesives | minds frost
dress form | tailor's dummy, mannequin | 400x300x900 | 7000 | block | Sewing | care heavy
curtain tape | header tape, pleat tape | 160x160x80 | 340 | spool | Sewing
velcro strip | hook and loop strip, sew on hook and loop | 110x110x25 | 90 | spool | Sewing
# yarn and weaving
yarn swift | wool winder, ball winder | 150x250x200 | 900 | block | Knitting
double pointed needles | dpns, sock needles | 25x200x12 | 30 | stick | Knitting
cable needle | cable stitch needle | 5x120x5 | 5 | loose | Knitting
tapestry needle | darning needle, wool needle, yarn needle | 4x60x3 | 2 | loose | Knitting | care blade small
stitch holder | knitting stitch holder | 12x150x6 | 12 | stick | Knitting
pompom maker | pom pom maker | 90x90x25 | 45 | block | Knitting
weaving shuttle | stick shuttle, boat shuttle | 40x300x12 | 70 | stick | Weaving
weaving comb | tapestry beater, tapestry fork | 60x180x20 | 110 | stick | Weaving
warp thread | warp yarn, cotton warp | 90x90x150 | 250 | spool | Weaving
spindle | drop spindle, spinning spindle | 70x70x280 | 60 | stick | Weaving
carding brush | hand carder, wool carder | 120x230x60 | 250 | block | Felting | care blade
punch needle | rug hooking needle, punch needle tool | 20x150x20 | 40 | stick | Embroidery | care blade
macrame cord | macramé cord, cotton rope | 150x150x120 | 500 | spool | Twine
rope | braided rope, clothes line | 150x150x70 | 350 | spool | Twine
raffia | paper raffia, raffia bundle | 60x200x60 | 90 | soft | Twine
# jewellery, metal, glass
bench block | steel block, dapping block, anvil | 65x65x20 | 600 | block | Hand tools | care heavy
mandrel | ring mandrel, bracelet mandrel, ring stick | 30x300x30 | 350 | stick | Hand tools
ring clamp | ring vise, hand vise | 30x140x25 | 70 | stick | Hand tools
metal stamp set | letter punches, steel stamps, metal stamps | 80x110x80 | 1300 | block | Hand tools | care heavy
crimping pliers | crimper, crimp tool | 60x140x15 | 130 | block | Hand tools
crimp bead | crimp tube, crimp beads | 2x2x2 | 0.02 | loose | Findings | pack 100, care small
head pin | eye pin, headpins | 2x50x2 | 0.2 | loose | Findings | pack 50, care small
beading thread | beading cord, jewellery elastic, nylon beading thread | 40x40x30 | 20 | spool | Thread
bead mat | beading mat, bead board | 230x330x8 | 120 | block | Beads | keeps edge
cabochon | glass cabochon, stone cabochon | 25x25x6 | 7 | loose | Beads | care small
gemstone strand | stone beads, gemstone beads | 12x390x12 | 60 | loose | Beads
metal sheet | brass sheet, silver sheet, metal blank | 75x150x0.8 | 70 | pocket | Wire | keeps pockets edge
solder | solder wire, silver solder | 40x40x40 | 100 | spool | Wire
flux | soldering flux, borax | 50x50x60 | 90 | bottle | Chemistry
butane torch | jewellery torch, micro torch | 60x80x170 | 350 | block | Hand tools | care hot flammable
pickle powder | pickling salt, pickle salt | 90x90x120 | 500 | bottle | Chemistry | minds damp, care toxic
polishing cloth | jewellery cloth, silver cloth | 120x180x6 | 25 | soft | Cleaning
tumbler | rotary tumbler, barrel polisher | 200x250x200 | 3000 | machine | Machines | care heavy
glass sheet | stained glass, sheet of glass | 200x300x3 | 450 | block | Beads | keeps edge, care blade
glass cutter | glass scorer | 15x160x15 | 40 | stick | Cutting tools | care blade
lead came | copper foil tape, came | 90x90x10 | 150 | spool | Wire
enamel powder | enamelling powder, powdered enamel | 40x40x60 | 80 | bottle | Powders
# leather and wood
leather awl | stitching awl, saddlers awl | 25x130x25 | 60 | stick | Leather | care blade
stitching chisel | pricking iron, leather chisel | 20x110x12 | 90 | stick | Leather | care blade
edge beveller | edge beveler, edge slicker | 25x140x25 | 60 | stick | Leather | care blade
leather mallet | rawhide mallet, poly mallet | 80x260x80 | 500 | block | Leather
leather dye | edge paint, leather paint | 50x50x110 | 140 | bottle | Leather | minds frost
leather finish | leather balm, neatsfoot oil, leather wax | 80x80x60 | 150 | bottle | Leather
strap cutter | leather strap cutter | 60x200x30 | 180 | block | Leather | care blade
stitching pony | saddlers clam, stitching clam | 150x400x350 | 2000 | block | Leather
chisel | wood chisel, carving chisel | 30x260x30 | 200 | stick | Hand tools | care blade
carving knife | whittling knife, wood carving knife | 25x180x20 | 60 | stick | Cutting tools | care blade
plane | block plane, hand plane | 60x180x60 | 700 | block | Hand tools | care blade
mitre box | miter box | 120x320x80 | 500 | block | Hand tools
vice | bench vise, bench vice, table vice | 120x200x130 | 3500 | block | Hand tools | care heavy
wood filler | filler, wood putty | 60x60x140 | 350 | bottle | Wood | minds frost
nails | box of nails, panel pins, tacks | 50x80x30 | 200 | block | Hand tools | care blade
screws | box of screws, wood screws | 60x90x35 | 350 | block | Hand tools
hinge | box hinge, small hinge | 30x40x4 | 12 | loose | Findings | pack 4
drawer pull | knob, cupboard knob, handle | 30x30x35 | 40 | loose | Findings
spirit level | level | 22x600x50 | 400 | long | Hand tools | keeps hanging
combination square | try square, engineers square | 60x300x25 | 400 | block | Hand tools | keeps hanging
wood burner tip | pyrography tip, burning tip | 12x60x12 | 8 | loose | Hand tools
scroll saw | table fret saw | 300x650x360 | 13000 | machine | Machines | care blade heavy
sander | orbital sander, palm sander | 120x150x150 | 1300 | machine | Machines
# clay, wax, sun prints, food for the craft
slip | casting slip, clay slip | 120x120x180 | 2500 | bottle | Clay | minds frost
clay extruder | polymer clay extruder, clay gun | 40x180x40 | 250 | stick | Clay
pasta machine | clay conditioning machine, clay roller machine | 200x210x160 | 2300 | machine | Machines
loop tool | ribbon tool, trimming tool | 20x200x20 | 40 | stick | Clay
clay bag | bag of clay, stoneware clay, earthenware clay | 150x200x170 | 9800 | block | Clay | care heavy, minds frost
kiln shelf | kiln bat, batt | 300x300x20 | 3600 | block | Clay | keeps edge, care heavy
plaster | plaster of paris, casting plaster | 200x120x260 | 4500 | block | Moulds | minds damp, care heavy
latex | liquid latex, mould latex | 90x90x140 | 700 | bottle | Moulds | minds frost
mould release | release agent, release spray | 60x60x180 | 300 | bottle | Moulds
candle mould | candle mold, taper mould | 90x90x150 | 120 | block | Moulds
dye chip | candle dye, wax dye | 30x30x10 | 8 | loose | Wax | pack 10
cyanotype paper | sun print paper, sunprint paper | 210x297 | 8 | sheet | Photos | pack 10, gsm 130, minds sun damp
# paper flowers, party, packing, shop
balloon | balloons, bag of balloons | 150x200x20 | 120 | soft | Packing
tissue pompom | paper lantern, honeycomb ball | 200x300x20 | 60 | soft | Packing
confetti | bag of confetti | 100x150x40 | 60 | soft | Embellishments
price tag | string tag, jewellery tag | 25x40x0.5 | 0.5 | loose | Tags | pack 100
tag gun | tagging gun, kimble gun | 40x150x120 | 120 | block | Packing | care blade
tape dispenser | packing tape dispenser, tape gun | 90x230x160 | 350 | block | Packing
packing paper | void fill paper, paper fill | 250x300x120 | 800 | soft | Packing
shredded paper | paper shred, gift filler | 200x300x150 | 250 | soft | Packing
organza bag | drawstring bag, fabric gift bag | 100x150x3 | 6 | pocket | Packing | pack 25
tote bag | cotton bag, shopping bag | 250x300x12 | 140 | soft | Packing
mailing tube | poster tube, postal tube | 60x650x60 | 180 | long | Packing
business card | calling card, thank you card | 55x85 | 1.6 | sheet | Card | pack 100, gsm 350
`;
