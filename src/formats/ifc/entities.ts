/**
 * The IFC4 entities this writer uses, each with its attributes in order (ISO 16739-1:2018, IFC4 ADD2 TC1).
 * The kind of an attribute says how it is written; `?` marks one that may be left out.
 */
export type AttributeKind =
  | 'guid'
  | 'text'
  | 'text?'
  | 'real'
  | 'real?'
  | 'bool'
  | 'ref'
  | 'ref?'
  | 'refs'
  | 'refs?'
  | 'reals'
  | 'int?'
  | 'measure'
  | 'derived'
  | 'none'
  | `enum:${string}`
  | `enum?:${string}`;

const ROOT = { GlobalId: 'guid', OwnerHistory: 'none', Name: 'text?', Description: 'text?' } as const;
const OBJECT = { ...ROOT, ObjectType: 'text?' } as const;
const PRODUCT = { ...OBJECT, ObjectPlacement: 'ref?', Representation: 'ref?' } as const;
const ELEMENT = { ...PRODUCT, Tag: 'text?' } as const;
const TYPE = {
  ...ROOT,
  ApplicableOccurrence: 'none',
  HasPropertySets: 'none',
  RepresentationMaps: 'none',
  Tag: 'text?',
  ElementType: 'text?',
} as const;
const COMPOSITION = 'enum:COMPLEX|ELEMENT|PARTIAL';
const SPATIAL = { ...PRODUCT, LongName: 'text?', CompositionType: COMPOSITION } as const;
const QUANTITY = { Name: 'text', Description: 'text?', Unit: 'none' } as const;

export const ENTITIES = {
  IFCPROJECT: { ...OBJECT, LongName: 'text?', Phase: 'text?', RepresentationContexts: 'refs', UnitsInContext: 'ref' },
  IFCSITE: {
    ...SPATIAL,
    RefLatitude: 'none',
    RefLongitude: 'none',
    RefElevation: 'real?',
    LandTitleNumber: 'none',
    SiteAddress: 'none',
  },
  IFCBUILDING: { ...SPATIAL, ElevationOfRefHeight: 'real?', ElevationOfTerrain: 'none', BuildingAddress: 'none' },
  IFCBUILDINGSTOREY: { ...SPATIAL, Elevation: 'real' },
  IFCSPACE: {
    ...SPATIAL,
    PredefinedType: 'enum:SPACE|PARKING|GFA|INTERNAL|EXTERNAL|USERDEFINED|NOTDEFINED',
    ElevationWithFlooring: 'none',
  },
  IFCGRID: {
    ...PRODUCT,
    UAxes: 'refs',
    VAxes: 'refs',
    WAxes: 'none',
    PredefinedType: 'enum:RECTANGULAR|RADIAL|TRIANGULAR|IRREGULAR|USERDEFINED|NOTDEFINED',
  },
  IFCANNOTATION: PRODUCT,
  IFCGRIDAXIS: { AxisTag: 'text?', AxisCurve: 'ref', SameSense: 'bool' },
  IFCCOLUMN: { ...ELEMENT, PredefinedType: 'enum:COLUMN|PILASTER|USERDEFINED|NOTDEFINED' },
  IFCSLAB: { ...ELEMENT, PredefinedType: 'enum:FLOOR|ROOF|LANDING|BASESLAB|USERDEFINED|NOTDEFINED' },
  IFCCOVERING: {
    ...ELEMENT,
    PredefinedType:
      'enum:CEILING|FLOORING|CLADDING|ROOFING|MOLDING|SKIRTINGBOARD|INSULATION|MEMBRANE|SLEEVING|WRAPPING|USERDEFINED|NOTDEFINED',
  },
  IFCBEAM: {
    ...ELEMENT,
    PredefinedType: 'enum:BEAM|JOIST|HOLLOWCORE|LINTEL|SPANDREL|T_BEAM|USERDEFINED|NOTDEFINED',
  },
  IFCFOOTING: {
    ...ELEMENT,
    PredefinedType: 'enum:CAISSON_FOUNDATION|FOOTING_BEAM|PAD_FOOTING|PILE_CAP|STRIP_FOOTING|USERDEFINED|NOTDEFINED',
  },
  IFCWALL: {
    ...ELEMENT,
    PredefinedType:
      'enum:MOVABLE|PARAPET|PARTITIONING|PLUMBINGWALL|SHEAR|SOLIDWALL|STANDARD|POLYGONAL|ELEMENTEDWALL|USERDEFINED|NOTDEFINED',
  },
  IFCDOOR: {
    ...ELEMENT,
    OverallHeight: 'real?',
    OverallWidth: 'real?',
    PredefinedType: 'enum:DOOR|GATE|TRAPDOOR|USERDEFINED|NOTDEFINED',
    OperationType: 'enum:SINGLE_SWING_LEFT|SINGLE_SWING_RIGHT|DOUBLE_DOOR_SINGLE_SWING|USERDEFINED|NOTDEFINED',
    UserDefinedOperationType: 'none',
  },
  IFCWINDOW: {
    ...ELEMENT,
    OverallHeight: 'real?',
    OverallWidth: 'real?',
    PredefinedType: 'enum:WINDOW|SKYLIGHT|LIGHTDOME|USERDEFINED|NOTDEFINED',
    PartitioningType: 'enum:SINGLE_PANEL|USERDEFINED|NOTDEFINED',
    UserDefinedPartitioningType: 'none',
  },
  IFCARBITRARYPROFILEDEFWITHVOIDS: {
    ProfileType: 'enum:AREA|CURVE',
    ProfileName: 'text?',
    OuterCurve: 'ref',
    InnerCurves: 'refs',
  },
  IFCSTAIR: {
    ...ELEMENT,
    PredefinedType:
      'enum:STRAIGHT_RUN_STAIR|TWO_STRAIGHT_RUN_STAIR|QUARTER_WINDING_STAIR|QUARTER_TURN_STAIR|HALF_WINDING_STAIR|HALF_TURN_STAIR|TWO_QUARTER_WINDING_STAIR|TWO_QUARTER_TURN_STAIR|THREE_QUARTER_WINDING_STAIR|THREE_QUARTER_TURN_STAIR|SPIRAL_STAIR|DOUBLE_RETURN_STAIR|CURVED_RUN_STAIR|TWO_CURVED_RUN_STAIR|USERDEFINED|NOTDEFINED',
  },
  IFCSTAIRFLIGHT: {
    ...ELEMENT,
    NumberOfRisers: 'int?',
    NumberOfTreads: 'int?',
    RiserHeight: 'real?',
    TreadLength: 'real?',
    PredefinedType: 'enum:STRAIGHT|WINDER|SPIRAL|CURVED|FREEFORM|USERDEFINED|NOTDEFINED',
  },
  IFCRAMP: {
    ...ELEMENT,
    PredefinedType:
      'enum:STRAIGHT_RUN_RAMP|TWO_STRAIGHT_RUN_RAMP|QUARTER_TURN_RAMP|TWO_QUARTER_TURN_RAMP|HALF_TURN_RAMP|SPIRAL_RAMP|USERDEFINED|NOTDEFINED',
  },
  IFCRAMPFLIGHT: { ...ELEMENT, PredefinedType: 'enum:STRAIGHT|SPIRAL|USERDEFINED|NOTDEFINED' },
  IFCROOF: {
    ...ELEMENT,
    PredefinedType:
      'enum:FLAT_ROOF|SHED_ROOF|GABLE_ROOF|HIP_ROOF|HIPPED_GABLE_ROOF|GAMBREL_ROOF|MANSARD_ROOF|BARREL_ROOF|RAINBOW_ROOF|BUTTERFLY_ROOF|PAVILION_ROOF|DOME_ROOF|FREEFORM|USERDEFINED|NOTDEFINED',
  },
  IFCRAILING: { ...ELEMENT, PredefinedType: 'enum:HANDRAIL|GUARDRAIL|BALUSTRADE|USERDEFINED|NOTDEFINED' },
  IFCRELFILLSELEMENT: { ...ROOT, RelatingOpeningElement: 'ref', RelatedBuildingElement: 'ref' },
  IFCRELDEFINESBYTYPE: { ...ROOT, RelatedObjects: 'refs', RelatingType: 'ref' },
  IFCCOLUMNTYPE: { ...TYPE, PredefinedType: 'enum:COLUMN|PILASTER|USERDEFINED|NOTDEFINED' },
  IFCSLABTYPE: { ...TYPE, PredefinedType: 'enum:FLOOR|ROOF|LANDING|BASESLAB|USERDEFINED|NOTDEFINED' },
  IFCWALLTYPE: {
    ...TYPE,
    PredefinedType:
      'enum:MOVABLE|PARAPET|PARTITIONING|PLUMBINGWALL|SHEAR|SOLIDWALL|STANDARD|POLYGONAL|ELEMENTEDWALL|USERDEFINED|NOTDEFINED',
  },
  IFCDOORTYPE: {
    ...TYPE,
    PredefinedType: 'enum:DOOR|GATE|TRAPDOOR|USERDEFINED|NOTDEFINED',
    OperationType: 'enum:SINGLE_SWING_LEFT|SINGLE_SWING_RIGHT|DOUBLE_DOOR_SINGLE_SWING|USERDEFINED|NOTDEFINED',
    ParameterTakesPrecedence: 'none',
    UserDefinedOperationType: 'none',
  },
  IFCWINDOWTYPE: {
    ...TYPE,
    PredefinedType: 'enum:WINDOW|SKYLIGHT|LIGHTDOME|USERDEFINED|NOTDEFINED',
    PartitioningType: 'enum:SINGLE_PANEL|USERDEFINED|NOTDEFINED',
    ParameterTakesPrecedence: 'none',
    UserDefinedPartitioningType: 'none',
  },
  IFCMATERIALLAYER: {
    Material: 'ref?',
    LayerThickness: 'real',
    IsVentilated: 'none',
    Name: 'text?',
    Description: 'text?',
    Category: 'text?',
    Priority: 'none',
  },
  IFCMATERIALLAYERSET: { MaterialLayers: 'refs', LayerSetName: 'text?', Description: 'text?' },
  IFCOPENINGELEMENT: { ...ELEMENT, PredefinedType: 'enum:OPENING|RECESS|USERDEFINED|NOTDEFINED' },
  IFCGROUP: OBJECT,
  IFCZONE: { ...OBJECT, LongName: 'text?' },
  IFCCURTAINWALL: { ...ELEMENT, PredefinedType: 'enum:USERDEFINED|NOTDEFINED' },
  IFCCURTAINWALLTYPE: { ...TYPE, PredefinedType: 'enum:USERDEFINED|NOTDEFINED' },
  IFCPLATE: { ...ELEMENT, PredefinedType: 'enum:CURTAIN_PANEL|SHEET|USERDEFINED|NOTDEFINED' },
  IFCMEMBER: { ...ELEMENT, PredefinedType: 'enum:MULLION|MEMBER|USERDEFINED|NOTDEFINED' },
  IFCTRANSPORTELEMENT: { ...ELEMENT, PredefinedType: 'enum:ELEVATOR|ESCALATOR|USERDEFINED|NOTDEFINED' },
  IFCCOLOURRGB: { Name: 'text?', Red: 'real', Green: 'real', Blue: 'real' },
  IFCSURFACESTYLESHADING: { SurfaceColour: 'ref', Transparency: 'real?' },
  IFCSURFACESTYLE: { Name: 'text?', Side: 'enum:POSITIVE|NEGATIVE|BOTH', Styles: 'refs' },
  IFCSTYLEDITEM: { Item: 'ref?', Styles: 'refs', Name: 'text?' },
  IFCPRESENTATIONLAYERASSIGNMENT: {
    Name: 'text',
    Description: 'text?',
    AssignedItems: 'refs',
    Identifier: 'text?',
  },
  IFCRELAGGREGATES: { ...ROOT, RelatingObject: 'ref', RelatedObjects: 'refs' },
  IFCRELCONTAINEDINSPATIALSTRUCTURE: { ...ROOT, RelatedElements: 'refs', RelatingStructure: 'ref' },
  IFCRELVOIDSELEMENT: { ...ROOT, RelatingBuildingElement: 'ref', RelatedOpeningElement: 'ref' },
  IFCRELASSIGNSTOGROUP: { ...ROOT, RelatedObjects: 'refs', RelatedObjectsType: 'none', RelatingGroup: 'ref' },
  IFCRELDEFINESBYPROPERTIES: { ...ROOT, RelatedObjects: 'refs', RelatingPropertyDefinition: 'ref' },
  IFCRELASSOCIATESMATERIAL: { ...ROOT, RelatedObjects: 'refs', RelatingMaterial: 'ref' },
  IFCMATERIAL: { Name: 'text', Description: 'text?', Category: 'text?' },
  IFCPROPERTYSET: { ...ROOT, HasProperties: 'refs' },
  IFCPROPERTYSINGLEVALUE: { Name: 'text', Description: 'text?', NominalValue: 'measure', Unit: 'none' },
  IFCELEMENTQUANTITY: { ...ROOT, MethodOfMeasurement: 'text?', Quantities: 'refs' },
  IFCQUANTITYLENGTH: { ...QUANTITY, LengthValue: 'real', Formula: 'none' },
  IFCQUANTITYAREA: { ...QUANTITY, AreaValue: 'real', Formula: 'none' },
  IFCQUANTITYVOLUME: { ...QUANTITY, VolumeValue: 'real', Formula: 'none' },
  IFCUNITASSIGNMENT: { Units: 'refs' },
  IFCSIUNIT: {
    Dimensions: 'derived',
    UnitType: 'enum:LENGTHUNIT|AREAUNIT|VOLUMEUNIT|PLANEANGLEUNIT',
    Prefix: 'enum?:MILLI',
    Name: 'enum:METRE|SQUARE_METRE|CUBIC_METRE|RADIAN',
  },
  IFCGEOMETRICREPRESENTATIONCONTEXT: {
    ContextIdentifier: 'text?',
    ContextType: 'text?',
    CoordinateSpaceDimension: 'measure',
    Precision: 'real?',
    WorldCoordinateSystem: 'ref',
    TrueNorth: 'ref?',
  },
  IFCGEOMETRICREPRESENTATIONSUBCONTEXT: {
    ContextIdentifier: 'text?',
    ContextType: 'text?',
    CoordinateSpaceDimension: 'derived',
    Precision: 'derived',
    WorldCoordinateSystem: 'derived',
    TrueNorth: 'derived',
    ParentContext: 'ref',
    TargetScale: 'none',
    TargetView: 'enum:MODEL_VIEW|PLAN_VIEW',
    UserDefinedTargetView: 'none',
  },
  IFCCARTESIANPOINT: { Coordinates: 'reals' },
  IFCDIRECTION: { DirectionRatios: 'reals' },
  IFCAXIS2PLACEMENT3D: { Location: 'ref', Axis: 'ref?', RefDirection: 'ref?' },
  IFCAXIS2PLACEMENT2D: { Location: 'ref', RefDirection: 'ref?' },
  IFCLOCALPLACEMENT: { PlacementRelTo: 'ref?', RelativePlacement: 'ref' },
  IFCPRODUCTDEFINITIONSHAPE: { Name: 'text?', Description: 'text?', Representations: 'refs' },
  IFCSHAPEREPRESENTATION: {
    ContextOfItems: 'ref',
    RepresentationIdentifier: 'text?',
    RepresentationType: 'text?',
    Items: 'refs',
  },
  IFCPOLYLOOP: { Polygon: 'refs' },
  IFCFACEOUTERBOUND: { Bound: 'ref', Orientation: 'bool' },
  IFCFACE: { Bounds: 'refs' },
  IFCCLOSEDSHELL: { CfsFaces: 'refs' },
  IFCFACETEDBREP: { Outer: 'ref' },
  IFCEXTRUDEDAREASOLID: { SweptArea: 'ref', Position: 'ref?', ExtrudedDirection: 'ref', Depth: 'real' },
  IFCRECTANGLEPROFILEDEF: {
    ProfileType: 'enum:AREA|CURVE',
    ProfileName: 'text?',
    Position: 'ref?',
    XDim: 'real',
    YDim: 'real',
  },
  IFCCIRCLEPROFILEDEF: { ProfileType: 'enum:AREA|CURVE', ProfileName: 'text?', Position: 'ref?', Radius: 'real' },
  IFCARBITRARYCLOSEDPROFILEDEF: { ProfileType: 'enum:AREA|CURVE', ProfileName: 'text?', OuterCurve: 'ref' },
  IFCISHAPEPROFILEDEF: {
    ProfileType: 'enum:AREA|CURVE',
    ProfileName: 'text?',
    Position: 'ref?',
    OverallWidth: 'real',
    OverallDepth: 'real',
    WebThickness: 'real',
    FlangeThickness: 'real',
    FilletRadius: 'none',
    FlangeEdgeRadius: 'none',
    FlangeSlope: 'none',
  },
  IFCCIRCLE: { Position: 'ref', Radius: 'real' },
  IFCTRIMMEDCURVE: {
    BasisCurve: 'ref',
    Trim1: 'refs',
    Trim2: 'refs',
    SenseAgreement: 'bool',
    MasterRepresentation: 'enum:CARTESIAN|PARAMETER|UNSPECIFIED',
  },
  IFCBUILDINGELEMENTPROXY: {
    ...ELEMENT,
    PredefinedType: 'enum:COMPLEX|ELEMENT|PARTIAL|PROVISIONFORVOID|PROVISIONFORSPACE|USERDEFINED|NOTDEFINED',
  },
  IFCPROJECTEDCRS: {
    Name: 'text?',
    Description: 'text?',
    GeodeticDatum: 'text?',
    VerticalDatum: 'text?',
    MapProjection: 'text?',
    MapZone: 'text?',
    MapUnit: 'ref?',
  },
  IFCMAPCONVERSION: {
    SourceCRS: 'ref',
    TargetCRS: 'ref',
    Eastings: 'real',
    Northings: 'real',
    OrthogonalHeight: 'real',
    XAxisAbscissa: 'real?',
    XAxisOrdinate: 'real?',
    Scale: 'real?',
  },
  IFCPOLYLINE: { Points: 'refs' },
  IFCGEOMETRICCURVESET: { Elements: 'refs' },
} as const satisfies Record<string, Record<string, AttributeKind>>;

export type EntityName = keyof typeof ENTITIES;
